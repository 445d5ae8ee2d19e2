import { z } from 'zod';
import { FORMAT, VERSION, visitDocumentSchema } from './visit';

/**
 * The visit file as JSON Schema (draft 2020-12), for programs that are not Zembo. It says what can
 * be said of each value; rules between values (a reading names a string of the record, Vmp below Voc)
 * stand in the words of docs/formats.md and are checked when a file is read.
 */
export function visitJsonSchema(): object {
	return {
		...z.toJSONSchema(visitDocumentSchema, { target: 'draft-2020-12' }),
		title: `${FORMAT} ${VERSION}`,
		description: 'One visit to one PV site: its record, conditions, meters and readings.'
	};
}
