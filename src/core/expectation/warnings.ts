import type { ArrayRecord } from '../record/record';
import { DIM_LIGHT } from '../conditions/conditions';
import { isDead, type SiblingGroup } from './group';
import { standingConditions } from './standing';
import type { Visit } from './visit';

/** From here on the scatter of the currents is worth a word, relative. */
const UNSTEADY = 0.02;
/** So many dead strings, and no live one, point at what they share. */
const SHARED_FROM = 2;

/** What the person should know of the visit as a whole, each in a sentence or two. */
export function warningsOf(
	record: ArrayRecord,
	visit: Visit,
	groups: readonly SiblingGroup[]
): string[] {
	const warnings: string[] = [];
	const conditions = standingConditions(visit);
	if (conditions && conditions.irradiance.value < DIM_LIGHT) {
		warnings.push(
			`At ${Math.round(conditions.irradiance.value)} W/m2 the sun is too low to judge current well; volts still count modules.`
		);
	}
	if (record.inServiceSince === null && record.strings.length > 0) {
		warnings.push(
			'Year of commissioning unknown: no ageing is allowed for, so an old array reads a little low.'
		);
	}
	for (const { series } of groups) {
		if (series.unsteadiness <= UNSTEADY) continue;
		warnings.push(
			`The currents of like strings scatter by ${Math.round(100 * series.unsteadiness)} % more than meter and modules explain: the light is unsteady. Their bands are wider for it. Take the currents again in steady sun.`
		);
	}
	return [...warnings, ...allDead(groups)];
}

/** No string of the whole array alive: the strings' own faults are then not the first suspects. */
function allDead(groups: readonly SiblingGroup[]): string[] {
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
			'No string that was read gives volts. Look first at what they share: where the meter stands, a disconnect, rapid shutdown and its supply. This version does not weigh those, so the causes take each string for itself.'
		);
	}
	if (dead('running')) {
		words.push(
			'No string that was read carries current. Look first at what they share: the inverter, its AC side, its DC disconnect, the clamp. This version does not weigh those, so the causes take each string for itself.'
		);
	}
	return words;
}
