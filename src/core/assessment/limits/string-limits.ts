import { expectedOf, type ModelJudgement } from '../judge-by-model';
import { type EffectiveVisit, type MeterAccuracy, type Reading, stringKey } from '../../visit';
import { leakWords, locateEarthFault } from '../../circuit';
import { RECTANGULAR } from '../../expectation';
import { type ArrayRecord, labelPower, type StringRecord, typesInString } from '../../record';
import { INSULATION, insulationRow } from '../../profiles';
import { judged, PRACTICE, type Judged } from './limit-verdict';

/** |I| up to which a clamp that was proved counts as no current, A; judgement, editable. */
export const NO_CURRENT = 0.2;

/** Open-circuit volts of a string by its labels, V; null where a type is not recorded. */
function labelVoltage(record: ArrayRecord, string: StringRecord): number | null {
	let voltage = 0;
	for (const id of typesInString(string)) {
		const voc = record.moduleTypes.find((type) => type.id === id)?.plate.voc;
		if (voc === undefined) return null;
		voltage += voc;
	}
	return voltage;
}

/** Insulation against IEC 62446-1. */
export function judgeInsulation(record: ArrayRecord, { place, value, overRange }: Reading): Judged {
	const strings = record.strings.filter(({ id }) => place.kind !== 'string' || id === place.string);
	const voltage = strings.map((string) => labelVoltage(record, string));
	if (voltage.length === 0 || voltage.some((v) => v === null)) {
		return judged(
			'not-assessed',
			'The module types are not recorded, so the limit cannot be told.'
		);
	}
	const { testVolts: testVoltage, least } = insulationRow(Math.max(...voltage.map((v) => v!)));
	const limit = `at least ${least} Mohm, tested with ${testVoltage} V`;
	if (overRange && value < least) {
		return judged(
			'not-assessed',
			`Over range of a tester that reads up to ${value} Mohm, below the limit: use a higher range.`,
			limit,
			INSULATION.clause
		);
	}
	const whole = place.kind === 'array' && labelPower(record) > INSULATION.byGroupsAbove;
	const words =
		value < least
			? `Below ${least} Mohm: a conductor leaks to earth. Test each string by itself, dry and wet.`
			: whole
				? `At or above ${least} Mohm; over 10 kW the standard asks for it by strings or groups of at most 10 kW.`
				: `At or above ${least} Mohm.`;
	return judged(
		value < least ? 'fail' : whole ? 'marginal' : 'pass',
		words,
		limit,
		INSULATION.clause
	);
}

/** Current with the switch off. */
export function judgeResidual({ value }: Reading): Judged {
	const limit = `at most ${NO_CURRENT} A either way`;
	return Math.abs(value) <= NO_CURRENT
		? judged('pass', 'No current, as a proved clamp shows it.', limit)
		: judged(
				'fail',
				'Current flows with the switch off: it circulates (a reversed or shorted string, or two earth faults). Open no fuse, connector or switch. Wait for low light, measure again, call a specialist.',
				limit
			);
}

/** Share of a string's volts below which a pole has drifted to earth: no fault holds it. */
const DRIFTED = 0.05;

function meterSigma({ pctOfReading, counts, resolution }: MeterAccuracy, voltage: number): number {
	return RECTANGULAR * Math.hypot((pctOfReading / 100) * voltage, counts * resolution);
}

/** Both poles of a string to earth, taken together: where a fault lies, or that there is none. */
export function judgeEarth(
	record: ArrayRecord,
	visit: EffectiveVisit,
	standing: ReadonlyMap<string, Reading>,
	{ places }: Pick<ModelJudgement, 'places'>,
	reading: Reading
): Judged {
	if (reading.place.kind !== 'string') return judged('not-assessed', '');
	const id = reading.place.string;
	const string = record.strings.find((candidate) => candidate.id === id)!;
	const positive = standing.get(stringKey(id, 'positive-to-earth'));
	const negative = standing.get(stringKey(id, 'negative-to-earth'));
	if (!positive || !negative) {
		return judged('not-assessed', 'Read the other pole to earth too: only both together tell.');
	}
	const voc =
		standing.get(stringKey(id, 'open-circuit-voltage'))?.value ?? expectedOf(places, id)?.value;
	if (voc === undefined) {
		return judged(
			'not-assessed',
			'Measure the string’s open-circuit voltage too, or enter test conditions.'
		);
	}
	const split = { positive: positive.value, negative: negative.value, open: voc };
	const sigma = meterSigma(visit.meters.volts, voc);
	const place = locateEarthFault(split, string.moduleCount, sigma);
	const { least: required } = insulationRow(labelVoltage(record, string) ?? Math.abs(voc));
	const limit = `leak resistance of at least ${required} MΩ; both poles near 0 V where nothing leaks`;
	const source = `${INSULATION.clause}; both readings with a meter of 10 MΩ, one leak assumed`;
	if (!place.found) {
		const drifted = Math.max(Math.abs(split.positive), Math.abs(split.negative));
		return drifted < DRIFTED * Math.abs(voc)
			? judged('pass', 'Neither pole is held to earth.', limit, PRACTICE)
			: judged('fail', place.why, limit, PRACTICE);
	}
	const { resistance } = place;
	const requiredResistance = required * 1e6;
	if (resistance.least >= requiredResistance) {
		return judged(
			'pass',
			`Both readings together are as of one leak of ${leakWords(resistance)}: insulation in order.`,
			limit,
			source
		);
	}
	const uncertainty = Math.max(2 * place.uncertainty, 0.5);
	const at = place.modules;
	const between =
		at <= 0.3
			? 'at or below its first module, the negative lead'
			: at >= string.moduleCount - 0.3
				? 'at or above its last module, the positive lead'
				: `near the connector above module ${Math.round(at)} (${Math.max(0, at - uncertainty).toFixed(1)} to ${Math.min(string.moduleCount, at + uncertainty).toFixed(1)} modules up from the negative end)`;
	const certain = resistance.most < requiredResistance;
	return judged(
		certain ? 'fail' : 'marginal',
		`Earth fault of ${leakWords(resistance)} ${between}. Treat both poles and all metal as live to earth. Confirm with an insulation test.`,
		limit,
		source
	);
}
