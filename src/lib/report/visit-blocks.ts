import { IRRADIANCE_SOURCE_FACTS, TEMPERATURE_SOURCE_FACTS } from '$core/conditions/conditions';
import type { VisitDocument } from '$core/document/visit';
import { standingConditions } from '$core/expectation/standing';
import { fuseWords } from '$core/record/difference';
import { labelPower } from '$core/record/label-power';
import type { ArrayRecord } from '$core/record/record';
import { MAKE_SAFE_FIRST, WHO_DECIDES } from '$core/rules/cautions';
import { SEVERITIES, SEVERITY_WORDS } from '$core/rules/inspection/entry';
import { scaleInfrared } from '$core/rules/inspection/infrared';
import { outcomeOfStop, placeWords, walkOf } from '$core/rules/inspection/walk';
import { OWN_PROCEDURE } from '$core/rules/making-safe/gate';
import { notProved, standingSafety } from '$core/rules/making-safe/progress';
import { makingSafe } from '$core/rules/making-safe/sequence';
import type { Assessment } from '$core/trace/assess';
import { findingsOf } from '$lib/ui/findings';
import { dayAndTime } from '$lib/ui/when';
import { kilowatts } from '$lib/ui/words';
import { cell, heading, soft, text, type Block, type Cell } from './block';

/** Light, heat and meters, with how sure each is. */
export function conditionsBlocks({ visit, site }: VisitDocument, assessment: Assessment): Block[] {
	const conditions = standingConditions(visit);
	const { volts, amps } = visit.meters;
	const blocks: Block[] = [heading('Conditions')];
	if (conditions) {
		const { irradiance, cellTemperature } = conditions;
		const light = IRRADIANCE_SOURCE_FACTS[irradiance.source].words.toLowerCase();
		const heat = TEMPERATURE_SOURCE_FACTS[cellTemperature.source].words.toLowerCase();
		const groups = assessment.groups.map(({ words }) => words).join(' ');
		blocks.push(
			text(
				`${irradiance.value} W/m² ± ${(200 * irradiance.relativeStandardUncertainty).toFixed(1)} % (${light}), cells ${cellTemperature.value} °C ± ${(2 * cellTemperature.standardUncertainty).toFixed(1)} K (${heat}), entered ${dayAndTime(conditions.enteredAt, site.timeZone)} by ${conditions.by}. ${groups}`
			)
		);
	} else blocks.push(text('Not entered: no reading has a basis.'));
	blocks.push(
		...assessment.warnings.map(text),
		soft(
			`Meters: volts ± (${volts.pctOfReading} % + ${volts.counts} x ${volts.resolution} V), clamp ± (${amps.pctOfReading} % + ${amps.counts} x ${amps.resolution} A).`
		)
	);
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
			rows: used.map(({ name, plate }) => [
				cell(name),
				...[plate.pmax, plate.vmp, plate.imp, plate.voc, plate.isc, plate.cellsInSeries].map(
					(value) => cell(String(value))
				),
				cell(stated(plate.alphaIscPctPerK)),
				cell(stated(plate.betaVocPctPerK))
			])
		},
		soft(
			`Label power ${kilowatts(labelPower(record))}; in service since ${record.inServiceSince ?? 'unknown'}. Limits by the ${profile} profile${edition === null ? '' : `, NEC ${edition}`}.`
		)
	];
}

/** What was proved before hands went in, and what was not. */
export function safetyBlocks(
	{ record, visit, site }: VisitDocument,
	assessment: Assessment,
	now: number
): Block[] {
	const own = standingSafety(visit.safety).get(OWN_PROCEDURE);
	const places = new Map(assessment.places.map((place) => [place.key, place]));
	const { arrival, down, up } = makingSafe(record, visit, places, 'dead', () => now);
	const settled = [...arrival, ...down, ...up].filter(({ entry }) => entry !== null);
	if (own) {
		return [
			heading('Making safe'),
			text(
				`${own.by} answered for a written procedure of their own, ${dayAndTime(own.at, site.timeZone)}: nothing of it was proved here.`
			)
		];
	}
	if (settled.length === 0) {
		return [heading('Making safe'), text('No step was taken in this visit.')];
	}
	const items = settled.map(({ step, entry }): Cell => {
		const value = step.proof && entry!.value !== null ? `: ${entry!.value} ${step.proof.unit}` : '';
		return cell(`${step.title}${value}`, [`${dayAndTime(entry!.at, site.timeZone)}, ${entry!.by}`]);
	});
	return [
		heading('Making safe'),
		{ kind: 'list', items },
		...notProved([...arrival, ...down]).map(text)
	];
}

/** Findings of the walk with their photographs, figures, and what could not be seen. */
export function inspectionBlocks({ record, inspection }: VisitDocument): Block[] {
	const stops = walkOf(record, inspection).flatMap((stretch) => stretch.stops);
	const answered = stops.filter((stop) => outcomeOfStop(stop) !== null).length;
	if (answered === 0) return [];
	const told = stops.flatMap(({ item, part, answers }) =>
		answers
			.filter(({ outcome }) => outcome !== 'fits')
			.map((entry) => ({ entry, item, mark: part?.mark ?? '' }))
	);
	const findings = SEVERITIES.flatMap((severity) =>
		told.filter(({ entry }) => entry.severity === severity)
	);
	const unseen = told.filter(({ entry }) => entry.outcome === 'not-seen');
	const measured = stops.flatMap(({ item, measured: asked, answers }) =>
		answers
			.filter((entry) => entry.measured !== null)
			.map((entry) => `${item.words}: ${entry.measured} ${asked?.unit ?? ''}`)
	);
	const blocks: Block[] = [
		heading('Inspection'),
		text(`${answered} of ${stops.length} questions of the walk are answered.`)
	];
	if (findings.length === 0) blocks.push(text('No finding.'));
	else {
		blocks.push({
			kind: 'list',
			items: findings.map(({ entry, item, mark }) => {
				const where = placeWords(record, entry.place) || mark;
				const infrared = entry.infrared ? ` ${scaleInfrared(entry.infrared).words}` : '';
				return cell(
					`${SEVERITY_WORDS[entry.severity!]}${where ? `, ${where}` : ''}: ${entry.words}${infrared}`,
					[item.words.toLowerCase()]
				);
			})
		});
		const pictures = findings.flatMap(({ entry }) =>
			entry.photographs.map((id) => ({ id, words: entry.words }))
		);
		if (pictures.length > 0) blocks.push({ kind: 'pictures', pictures });
	}
	if (measured.length > 0) blocks.push(text(`Measured: ${measured.join('; ')}.`));
	if (unseen.length > 0) {
		blocks.push(
			{ kind: 'heading', text: 'Could not be seen', minor: true },
			{
				kind: 'list',
				items: unseen.map(({ entry, item, mark }) =>
					cell(`${mark ? `${mark}: ` : ''}${item.words}: ${entry.words}`)
				)
			}
		);
	}
	return blocks;
}

/** Cautions of the tests that are proposed, and who decides. */
export function cautionBlocks({ record }: VisitDocument, assessment: Assessment): Block[] {
	const tests = findingsOf(assessment, record).flatMap((finding) => finding.tests);
	const cautions = new Map(
		tests.flatMap((test) => test.cautions.map(({ words, source }) => [words, source] as const))
	);
	return [
		heading('Cautions for what comes next'),
		{
			kind: 'list',
			items: [
				...[...cautions].map(([words, source]) => cell(words, [source])),
				...(tests.some((test) => test.makeSafeFirst) ? [cell(MAKE_SAFE_FIRST)] : []),
				cell(WHO_DECIDES)
			]
		}
	];
}
