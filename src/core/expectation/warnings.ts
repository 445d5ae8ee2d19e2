import {
	currentConditions,
	currentSeries,
	type EffectiveVisit,
	findCurrentReadings,
	isStringReading,
	placeWords,
	type Reading
} from '../visit';
import { type ArrayRecord, labelRanges } from '../record';
import { millisOf } from '../units';
import { DIM_IRRADIANCE, STEADY_SERIES } from '../conditions';
import { isDead, type PeerGroup } from './group';
import { rmsOf } from './scatter';

/** From here on the scatter of the currents is worth a word, relative. */
const UNSTEADY = 0.02;
/** So many dead strings, and no live one, point at what they share. */
const SHARED_FROM = 2;

/** What the person should know of the visit as a whole, each in a sentence or two. */
export function warningsOf(
	record: ArrayRecord,
	visit: EffectiveVisit,
	groups: readonly PeerGroup[]
): string[] {
	const warnings: string[] = [];
	const conditions = currentConditions(visit);
	if (conditions && conditions.irradiance.value < DIM_IRRADIANCE) {
		warnings.push(
			`At ${Math.round(conditions.irradiance.value)} W/m² the irradiance is too low to assess current well; voltage still counts modules.`
		);
	}
	warnings.push(...driftWarnings(record, visit));
	if (record.inServiceSince === null && record.strings.length > 0) {
		warnings.push(
			'Year of commissioning unknown: no ageing is allowed for, so an old array reads a little low.'
		);
	}
	for (const { series } of groups) {
		const unsteady = rmsOf(series.irradiance);
		if (unsteady <= UNSTEADY) continue;
		warnings.push(
			`The currents of comparable strings scatter by ${Math.round(100 * unsteady)} % more than meter and modules explain: the irradiance was unsteady. The tolerances of the currents are wider for it. Repeat the current measurements in steady sun.`
		);
	}
	return [...warnings, ...allDead(groups)];
}

/** Minutes after which nobody knows any more what the sun did meanwhile; judgement. */
const STALE_MINUTES = 20;

/** Currents that were read while the light moved on, or long after anybody looked at it. */
function driftWarnings(record: ArrayRecord, visit: EffectiveVisit): string[] {
	const series = currentSeries(visit);
	const currents = [...findCurrentReadings(visit).values()].filter(
		(reading) => isStringReading(reading) && reading.quantity !== 'open-circuit-voltage'
	);
	const named = (readings: readonly Reading[]) =>
		labelRanges(
			record,
			readings.map(({ place }) => placeWords(record, place))
		);
	const words: string[] = [];
	for (const [i, entry] of series.entries()) {
		const before = series[i - 1];
		if (!before) continue;
		const moved = entry.irradiance.value / before.irradiance.value - 1;
		const between = currents.filter(
			({ takenAt }) => takenAt > before.enteredAt && takenAt < entry.enteredAt
		);
		if (Math.abs(moved) <= STEADY_SERIES || between.length === 0) continue;
		words.push(
			`The sun moved ${Math.abs(100 * moved).toFixed(0)} % while they were read: take ${named(between)} again.`
		);
	}
	const last = series.at(-1);
	const late = last
		? currents.filter(
				({ takenAt }) => millisOf(takenAt) - millisOf(last.enteredAt) > STALE_MINUTES * 60_000
			)
		: [];
	if (late.length > 0) {
		words.push(
			`${named(late)}: read more than ${STALE_MINUTES} minutes after the test conditions. Record the conditions again, as the end of the series.`
		);
	}
	return words;
}

/** No string of the whole array alive: the strings' own faults are then not the first suspects. */
function allDead(groups: readonly PeerGroup[]): string[] {
	const items = groups.flatMap((group) =>
		[...group.shared.values()].map((item) => ({ group, item }))
	);
	const ofKind = (kind: 'volts' | 'running') =>
		items.filter(
			({ item }) =>
				item.reading.quantity === (kind === 'volts' ? 'open-circuit-voltage' : 'operating-current')
		);
	const dead = (kind: 'volts' | 'running') => {
		const read = ofKind(kind);
		return read.length >= SHARED_FROM && read.every(({ group, item }) => isDead(group, item));
	};
	const words: string[] = [];
	if (dead('volts')) {
		words.push(
			'No string that was read has voltage. Check first what they share: the measuring point, a disconnect, rapid shutdown and its supply.'
		);
	}
	if (dead('running')) {
		words.push(
			'No string that was read carries current. Look first at what they share: the inverter, its AC side, its DC disconnect, the clamp.'
		);
	}
	return words;
}
