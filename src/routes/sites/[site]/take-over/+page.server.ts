import { fail } from '@sveltejs/kit';
import { v7 as uuid } from 'uuid';
import type { ArrayRecord, StringRecord } from '$core/circuit/record';
import { figureOrEmpty, figureValue } from '$core/document/figure';
import {
	expandLabels,
	fuseOfForm,
	stringFormSchema,
	stringsFormSchema,
	type StringsForm
} from '$core/document/forms';
import { RECORD_LIMITS } from '$core/document/record';
import { refuse, succeed, type Result } from '$core/units/result';
import { database } from '$lib/server/database';
import { setError, superValidate, zod4 } from '$lib/server/forms';
import { changeRecord } from '$lib/server/repositories/sites';
import { refusalWords } from '$lib/server/record-words';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { revision } = await parent();
	const { moduleTypes, strings } = revision.record;
	const last = strings.at(-1);
	return {
		addForm: await superValidate(
			{
				moduleTypeId: last?.moduleTypeId ?? moduleTypes.at(-1)?.id ?? '',
				moduleCount: last ? String(last.moduleCount) : '',
				...(last && { cableResistance: String(last.cableResistance) })
			},
			zod4(stringsFormSchema),
			{ id: 'add', errors: false }
		)
	};
};

/** The fields of a form that a string takes over as they are. */
function fieldsOf(form: StringsForm): Omit<StringRecord, 'id' | 'label'> {
	return {
		moduleTypeId: form.moduleTypeId,
		moduleCount: figureValue(form.moduleCount),
		cableResistance: figureValue(form.cableResistance),
		fuse: fuseOfForm(form),
		input: form.input === '' ? null : form.input
	};
}

async function change(
	siteId: string,
	base: string,
	how: (record: ArrayRecord) => Result<ArrayRecord, string>
) {
	const changed = await changeRecord(await database(), siteId, base, how, new Date().toISOString());
	return changed.ok ? null : refusalWords(changed.problem);
}

export const actions: Actions = {
	add: async (event) => {
		const data = await event.request.formData();
		const form = await superValidate(data, zod4(stringsFormSchema), { id: 'add' });
		if (!form.valid) return fail(400, { form });
		const labels = expandLabels(form.data.labels);
		const words = await change(event.params.site, String(data.get('revision')), (record) => {
			const taken = record.strings.find((string) => labels.includes(string.label));
			if (taken)
				return refuse(
					`There is a string ${taken.label} already. Choose another mark, or change that one.`
				);
			const fields = fieldsOf(form.data);
			const added = labels.map((label) => ({ id: uuid(), label, ...fields }));
			return succeed({ ...record, strings: [...record.strings, ...added] });
		});
		if (words) return setError(form, 'labels', words, { status: 409 });
		return { form, done: `${labels.join(', ')} added.` };
	},

	change: async (event) => {
		const data = await event.request.formData();
		const form = await superValidate(data, zod4(stringFormSchema), { id: String(data.get('id')) });
		if (!form.valid) return fail(400, { form });
		const { id, labels } = form.data;
		const words = await change(event.params.site, String(data.get('revision')), (record) => {
			const at = record.strings.findIndex((string) => string.id === id);
			if (at < 0) return refuse('This string is no longer in the record.');
			const changed = { id, label: labels, ...fieldsOf(form.data) };
			return succeed({ ...record, strings: record.strings.with(at, changed) });
		});
		if (words) return setError(form, 'labels', words, { status: 409 });
		return { form, done: `${labels} changed.` };
	},

	remove: async (event) => {
		const data = await event.request.formData();
		const id = String(data.get('id'));
		const words = await change(event.params.site, String(data.get('revision')), (record) =>
			succeed({ ...record, strings: record.strings.filter((string) => string.id !== id) })
		);
		return words ? fail(409, { words }) : { done: 'The string was taken out of the record.' };
	},

	since: async (event) => {
		const data = await event.request.formData();
		const typed = String(data.get('inServiceSince') ?? '');
		const checked = figureOrEmpty(RECORD_LIMITS.year).safeParse(typed);
		if (!checked.success) {
			return fail(400, { words: checked.error.issues[0]?.message ?? 'Not a year.', since: typed });
		}
		const inServiceSince = typed.trim() === '' ? null : figureValue(typed);
		const words = await change(event.params.site, String(data.get('revision')), (record) =>
			succeed({ ...record, inServiceSince })
		);
		return words ? fail(409, { words, since: typed }) : { done: 'The year is stored.' };
	}
};
