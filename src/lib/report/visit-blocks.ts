import { IRRADIANCE_SOURCE_FACTS, TEMPERATURE_SOURCE_FACTS } from '$core/conditions';
import type { VisitDocument } from '$core/document';
import { currentConditions, type Meter } from '$core/visit';
import { type ArrayRecord, fuseWords, labelPower } from '$core/record';
import {
	currentSafetyEntries,
	ISOLATE_FIRST,
	limitsOf,
	makingSafe,
	incompleteSteps,
	OWN_PROCEDURE,
	WHO_DECIDES
} from '$core/isolation';
import type { Assessment } from '$core/diagnosis';
import { findingsOf } from '$lib/text/findings';
import { dayAndTime } from '$lib/text/when';
import { kilowatts } from '$lib/text/format';
import { cell, heading, soft, text, type Block, type Cell } from './block';
import { speakFor } from '../messages/text';

/** Light, heat and meters, with how sure each is. */
export function conditionsBlocks({ visit, site }: VisitDocument, assessment: Assessment): Block[] {
	const conditions = currentConditions(visit);
	const blocks: Block[] = [heading('Test conditions')];
	if (conditions) {
		const { irradiance, cellTemperature } = conditions;
		const irradianceSource = IRRADIANCE_SOURCE_FACTS[irradiance.source].words.toLowerCase();
		const temperatureSource = TEMPERATURE_SOURCE_FACTS[cellTemperature.source].words.toLowerCase();
		const groups = assessment.groups.map(({ words }) => words).join(' ');
		blocks.push(
			text(
				`${irradiance.value} W/m² ± ${(200 * irradiance.relativeStandardUncertainty).toFixed(1)} % (${irradianceSource}), cells ${cellTemperature.value} °C ± ${(2 * cellTemperature.standardUncertainty).toFixed(1)} K (${temperatureSource}), entered ${dayAndTime(conditions.enteredAt, site.timeZone)} by ${conditions.by}. ${groups}`
			)
		);
	} else blocks.push(text('Not entered: readings were not compared with expected values.'));
	blocks.push(...assessment.warnings.map(text));
	return blocks;
}

/** Strings, module types, and by which rules the limits are. */
export function recordBlocks(record: ArrayRecord): Block[] {
	const typeOf = (id: string) => record.moduleTypes.find((type) => type.id === id);
	const used = record.moduleTypes.filter(({ id }) =>
		record.strings.some((string) => string.moduleTypeId === id)
	);
	const { profile, edition } = record.rules;
	const stated = (value: number | null) => (value === null ? 'not stated' : value.toFixed(3));
	return [
		heading('Array'),
		{
			kind: 'table',
			columns: [
				{ words: 'String', width: 0.7 },
				{ words: 'Modules', figures: true, width: 0.8 },
				{ words: 'Module type', width: 2 },
				{ words: 'Cable, ohm', figures: true },
				{ words: 'Fuse', figures: true },
				{ words: 'Input', width: 1 }
			],
			rows: record.strings.map((string) => [
				cell(string.label),
				cell(String(string.moduleCount)),
				cell(typeOf(string.moduleTypeId)?.name ?? ''),
				cell(String(string.cableResistance)),
				cell(fuseWords(string.fuse)),
				cell(string.input ?? 'unknown')
			])
		},
		{
			kind: 'table',
			columns: [
				{ words: 'Module type', width: 2 },
				...['Pmax', 'Vmp', 'Imp', 'Voc', 'Isc', 'cells', '%/K Isc', '%/K Voc'].map(
					(words) => ({ words, figures: true }) as const
				)
			],
			rows: used.map(({ name, plate: nameplate }) => [
				cell(name),
				...[
					nameplate.pmax,
					nameplate.vmp,
					nameplate.imp,
					nameplate.voc,
					nameplate.isc,
					nameplate.cellsInSeries
				].map((value) => cell(String(value))),
				cell(stated(nameplate.alphaIscPctPerK)),
				cell(stated(nameplate.betaVocPctPerK))
			])
		},
		soft(
			`Label power ${kilowatts(labelPower(record))}; in service since ${record.inServiceSince ?? 'unknown'}. Limits by the ${profile} profile${edition === null ? '' : `, NEC ${edition}`}.`
		)
	];
}

/** Steps of isolation with their proving readings, and what was not proved. */
export function safetyBlocks(
	{ record, visit, site }: VisitDocument,
	assessment: Assessment,
	now: number
): Block[] {
	const speak = speakFor(record.rules);
	const own = currentSafetyEntries(visit.safety).get(OWN_PROCEDURE);
	const places = new Map(assessment.places.map((place) => [place.key, place]));
	const { arrival, down, up } = makingSafe(record, visit, places, 'dead', () => now);
	const settled = [...arrival, ...down, ...up].filter(({ entry }) => entry !== null);
	if (own) {
		return [
			heading('Isolation'),
			text(
				`${own.by} worked to a written procedure of their own, ${dayAndTime(own.at, site.timeZone)}: Zembo has no record of its steps.`
			)
		];
	}
	if (settled.length === 0) {
		return [heading('Isolation'), text('No step of isolation was recorded in this visit.')];
	}
	const items = settled.map(({ step, entry }): Cell => {
		const { proof } = step;
		const proved =
			proof && entry!.value !== null
				? [
						`Required: ${limitsOf(proof).map(speak).join(', ')}. Found: ${entry!.value} ${proof.unit}.`
					]
				: [];
		return cell(speak(step.title), [
			...proved,
			`${dayAndTime(entry!.at, site.timeZone)}, ${entry!.by}`
		]);
	});
	return [
		heading('Isolation'),
		{ kind: 'list', items },
		...incompleteSteps([...arrival, ...down]).map(({ title }) =>
			text(`Not completed: ${speak(title).replace(/\.$/, '')}.`)
		)
	];
}

const CATEGORY_WORDS = { 2: 'CAT II', 3: 'CAT III', 4: 'CAT IV' } as const;

/** Meters and clamps by their accuracy and rating. */
export function testEquipmentBlocks({ visit }: VisitDocument): Block[] {
	const row = (
		name: string,
		{ pctOfReading, counts, resolution, ratedVolts: ratedVoltage, category }: Meter,
		unit: string
	) => [
		cell(name),
		cell(`± (${pctOfReading} % + ${counts} × ${resolution} ${unit})`),
		cell(ratedVoltage === null ? 'not recorded' : `${ratedVoltage} V`),
		cell(category === null ? 'not recorded' : CATEGORY_WORDS[category])
	];
	return [
		heading('Test equipment'),
		{
			kind: 'table',
			columns: [
				{ words: 'Instrument', width: 1.4 },
				{ words: 'Accuracy', width: 1.6 },
				{ words: 'Rated DC voltage', width: 1.2 },
				{ words: 'Category', width: 1 }
			],
			rows: [row('Voltage meter', visit.meters.volts, 'V'), row('DC clamp', visit.meters.amps, 'A')]
		}
	];
}

/** Cautions of the tests that are proposed, and who decides. */
export function cautionBlocks({ record }: VisitDocument, assessment: Assessment): Block[] {
	const speak = speakFor(record.rules);
	const tests = findingsOf(assessment, record).flatMap((finding) => finding.tests);
	const cautions = new Map(
		tests.flatMap((test) =>
			test.cautions.map(({ text, source }) => [speak(text), speak(source)] as const)
		)
	);
	return [
		heading('Cautions for what comes next'),
		{
			kind: 'list',
			items: [
				...[...cautions].map(([words, source]) => cell(words, [source])),
				...(tests.some((test) => test.isolateFirst) ? [cell(speak(ISOLATE_FIRST))] : []),
				cell(speak(WHO_DECIDES))
			]
		}
	];
}
