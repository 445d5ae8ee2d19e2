import { error, fail, redirect } from '@sveltejs/kit';
import { v7 as uuid } from 'uuid';
import {
	conditionsFormSchema,
	conditionsOfForm,
	formOfMeters,
	metersFormSchema,
	metersOfForm,
	type VisitDocument
} from '$core/document';
import { currentConditions } from '$core/visit';
import { planeOfEntry } from '$core/expectation';
import { type ArrayRecord, planesOf } from '$core/record';
import { database } from '$lib/server/database';
import { formOf, message, superValidate, zod4 } from '$lib/server/forms';
import { roomFor } from '$lib/server/repositories/append';
import { appendConditions, changeMeters, findVisit } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { Actions, PageServerLoad } from './$types';

/** The field that was chosen, if the record has it. */
function fieldOf({ fields }: ArrayRecord, id: string): string | null {
	return fields.some((field) => field.id === id) ? id : null;
}

/**
 * What the form opens with: the first plane nobody measured, with the sensors used before and its
 * figures empty; the last entry where every plane has one.
 */
function opensWith({ record, visit }: VisitDocument) {
	const last = currentConditions(visit);
	const planes = planesOf(record);
	const measured = visit.conditions.map((entry) => planeOfEntry(planes, entry)?.id);
	const next = planes.length > 1 && planes.find(({ id }) => !measured.includes(id));
	if (!last) return next ? { fieldId: next.fieldIds[0]! } : null;
	const sensors = {
		fieldId: last.fieldId ?? '',
		irradianceDoubt: String(Number((100 * last.irradiance.relativeStandardUncertainty).toFixed(4))),
		irradianceSource: last.irradiance.source,
		temperatureDoubt: String(last.cellTemperature.standardUncertainty),
		temperatureSource: last.cellTemperature.source
	};
	if (next) return { ...sensors, fieldId: next.fieldIds[0]! };
	return {
		...sensors,
		irradiance: String(last.irradiance.value),
		cellTemperature: String(last.cellTemperature.value)
	};
}

export const load: PageServerLoad = async ({ parent }) => {
	const { document } = await parent();
	const filled = opensWith(document);
	return {
		conditionsForm: await superValidate(filled, zod4(conditionsFormSchema), {
			id: 'conditions',
			errors: false
		}),
		metersForm: await superValidate(formOfMeters(document.visit.meters), zod4(metersFormSchema), {
			id: 'meters'
		})
	};
};

export const actions: Actions = {
	conditions: async ({ params, request }) => {
		const form = await superValidate(await formOf(request), zod4(conditionsFormSchema), {
			id: 'conditions'
		});
		if (!form.valid) return fail(400, { form });
		const db = await database();
		const document = await findVisit(db, params.visit);
		if (!document) error(404, { message: 'There is no such visit.' });
		const entry = {
			id: uuid(),
			enteredAt: new Date().toISOString(),
			by: document.visit.by,
			basis: form.data.basis,
			follows: form.data.follows && document.visit.conditions.length > 0,
			fieldId: fieldOf(document.record, form.data.fieldId),
			...conditionsOfForm(form.data)
		};
		const room = await roomFor(db, 'conditions', params.visit);
		if (!room.ok) return message(form, room.problem, { status: 409 });
		await appendConditions(db, params.visit, entry);
		tellVisit(params.visit, { kind: 'conditions', entry });
		// Another plane is entered next where the person asked for it.
		const next = form.data.another ? 'test-conditions' : 'measurements';
		redirect(303, `/visits/${params.visit}/${next}`);
	},
	meters: async ({ params, request }) => {
		const form = await superValidate(await formOf(request), zod4(metersFormSchema), {
			id: 'meters'
		});
		if (!form.valid) return fail(400, { form });
		const db = await database();
		const meters = metersOfForm(form.data);
		if (!(await changeMeters(db, params.visit, form.data.seen, meters))) {
			const document = await findVisit(db, params.visit);
			if (!document) error(404, { message: 'There is no such visit.' });
			const { volts: voltage, amps: current } = document.visit.meters;
			// Stored again, it is stored in full knowledge of theirs.
			form.data.seen = JSON.stringify(document.visit.meters);
			return message(
				form,
				`Somebody stored other limits meanwhile: voltage ± (${voltage.pctOfReading} % + ${voltage.counts}), current ± (${current.pctOfReading} % + ${current.counts}). Store yours again to replace them.`,
				{ status: 409 }
			);
		}
		form.data.seen = JSON.stringify(meters);
		tellVisit(params.visit, { kind: 'changed' });
		return { form };
	}
};
