import { error, fail, redirect } from '@sveltejs/kit';
import { v7 as uuid } from 'uuid';
import {
	formOfModuleType,
	type LabelForm,
	labelFormSchema,
	moduleTypeOfForm
} from '$core/document';
import { checkLabel, type Nameplate } from '$core/module';
import { database } from '$lib/server/database';
import { formOf, setError, superValidate, zod4 } from '$lib/server/forms';
import { listLibrary } from '$lib/server/repositories/library';
import { refusalWords } from '$lib/server/record-words';
import { changeRecord } from '$lib/server/repositories/sites';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent }) => {
	const { revision } = await parent();
	const library = await listLibrary(await database(), 'module');
	if (params.type === 'new') {
		return {
			library,
			form: await superValidate(zod4(labelFormSchema)),
			used: 0
		};
	}
	const type = revision.record.moduleTypes.find((candidate) => candidate.id === params.type);
	if (!type) error(404, { message: 'There is no such module type in the record.' });
	return {
		library,
		form: await superValidate(formOfModuleType(type), zod4(labelFormSchema)),
		used: revision.record.strings.filter((string) => string.moduleTypeId === type.id).length
	};
};

/** Fields of the label as the form names them. */
const FORM_FIELD: Partial<Record<keyof Nameplate, keyof LabelForm>> = {
	alphaIscPctPerK: 'alpha',
	betaVocPctPerK: 'beta'
};

export const actions: Actions = {
	default: async ({ params, request }) => {
		const data = await formOf(request);
		const form = await superValidate(data, zod4(labelFormSchema));
		if (!form.valid) return fail(400, { form });
		const type = moduleTypeOfForm(params.type === 'new' ? uuid() : params.type, form.data);
		for (const finding of checkLabel(type.plate)) {
			if (finding.severity !== 'error') continue;
			setError(
				form,
				FORM_FIELD[finding.field] ?? (finding.field as keyof LabelForm),
				finding.words
			);
		}
		if (!form.valid) return fail(400, { form });
		const changed = await changeRecord(
			await database(),
			params.site,
			{
				id: uuid(),
				base: String(data.get('revision')),
				change: [{ op: 'put', list: 'moduleTypes', value: type }]
			},
			new Date().toISOString()
		);
		if (!changed.ok) return setError(form, 'name', refusalWords(changed.problem), { status: 409 });
		redirect(303, `/sites/${params.site}/array-record`);
	}
};
