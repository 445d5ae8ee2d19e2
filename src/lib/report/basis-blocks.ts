import { expectedAt } from '$core/assessment';
import type { IrradianceSource, TemperatureSource } from '$core/conditions';
import type { VisitDocument } from '$core/document';
import { currentConditions, QUANTITY_FACTS } from '$core/visit';
import type { SiteRules } from '$core/record';
import { inspectionOf } from '$core/inspection';
import type { Assessment } from '$core/diagnosis';
import { cell, heading, soft, type Block } from './block';

const MODEL =
	'Expected voltage and current: single-diode model of De Soto, Klein and Beckman, Solar Energy 80 (2006)';
const CARRIED =
	'Readings translated to other irradiance and cell temperature: IEC 60891:2009, procedure 2, clause not verified';

const IRRADIANCE: Readonly<Partial<Record<IrradianceSource, string>>> = {
	'control-module':
		'Irradiance from a reference module: proportionality by IEC 60904-10, clause not verified'
};
const TEMPERATURE: Readonly<Partial<Record<TemperatureSource, string>>> = {
	'control-voc':
		'Cell temperature from a reference module’s voltage: IEC 60904-5, clause not verified',
	'from-air': 'Cells from the air: King, Boyson and Kratochvil, SAND2004-3535 (2004)'
};

function codes({ profile, edition }: SiteRules): readonly string[] {
	switch (profile) {
		case 'US':
			return [`Limits: NEC ${edition ?? 'of an edition that is not recorded'}, from memory`];
		case 'IEC':
			return ['Limits: IEC 62548-1, fuses by IEC 60269-6, from memory'];
	}
}

/** Papers, standards and editions by which this visit was judged: those alone that had a part in it. */
export function basisBlocks(
	{ record, visit, inspection }: VisitDocument,
	assessment: Assessment
): Block[] {
	const conditions = currentConditions(visit);
	const measured = inspectionOf(record, inspection)
		.flatMap(({ stops }) => stops)
		.filter(({ answers }) => answers.some((entry) => entry.measured !== null));
	const used = [
		...(assessment.places.some((place) => expectedAt(place)) ? [MODEL, CARRIED] : []),
		...(conditions
			? [IRRADIANCE[conditions.irradiance.source], TEMPERATURE[conditions.cellTemperature.source]]
			: []),
		...codes(record.rules),
		...assessment.limits.map(({ reading, source }) =>
			source ? `${QUANTITY_FACTS[reading.quantity].words}: ${source}` : ''
		),
		...measured.map(({ item, measured: asked }) => `${item.words}: ${asked?.source ?? ''}`)
	].filter((words): words is string => Boolean(words));
	if (used.length === 0) return [];
	return [
		heading('By what it was judged'),
		{ kind: 'list', items: [...new Set(used)].map((words) => cell(words)) },
		soft(
			'"From memory" marks what was not read in the standard’s own text. The edition that the authority has adopted decides.'
		)
	];
}
