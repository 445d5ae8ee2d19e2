import { stringKey } from '../visit';
import type { PlaceResult } from '../assessment';
import { type ArrayRecord, isAcBranch, type Part, partsOf, type StringRecord } from '../record';
import { step } from './arrival';
import { type IsolationMessage, PRACTICE, say } from './messages';
import { type Effect, placeOf, type SafetyStep } from './step';

/** Verdicts of the strings' open-circuit volts, by key; what is missing has none. */
export type StringVoltage = ReadonlyMap<string, PlaceResult>;

const up = (part: Part, verb: string, title: IsolationMessage, effect: Effect): SafetyStep =>
	step('up', {
		key: `up/${verb}/${part.id}`,
		title,
		part,
		where: placeOf(part),
		effect
	});

/** Why a string may not be connected in parallel; null where polarity and open-circuit voltage did not fail. */
export function closingProblem(
	string: StringRecord,
	voltage: StringVoltage
): IsolationMessage | null {
	const place = voltage.get(stringKey(string.id, 'open-circuit-voltage'));
	const { label } = string;
	if (!place || place.state === 'unread') return say('isolation.close.unread', { string: label });
	if (place.reading.value < 0) {
		return say('isolation.close.reversed', { string: label, voltage: place.reading.value });
	}
	if (place.state === 'not-assessed') {
		return say('isolation.close.not-assessed', { string: label, reason: place.reason });
	}
	if (place.verdict === 'fail') {
		return place.counted
			? say('isolation.close.failed-by', { string: label, difference: place.counted.words })
			: say('isolation.close.failed', { string: label });
	}
	return null;
}

function polarity(record: ArrayRecord, voltage: StringVoltage): SafetyStep {
	const blocked = record.strings
		.filter((string) => !isAcBranch(string))
		.flatMap((string) => closingProblem(string, voltage) ?? []);
	return step('up', {
		key: 'up/polarity',
		title: say('isolation.on.polarity'),
		blocked
	});
}

/** An end that starts: what its display says stands in the visit. */
function started({ parts }: ArrayRecord): SafetyStep[] {
	return partsOf(parts, 'inverter').map((part) =>
		step('up', {
			key: `up/display/${part.id}`,
			title: say('isolation.on.inverter', { mark: part.mark }),
			part,
			where: placeOf(part),
			wait: {
				seconds: 60,
				why: say('isolation.on.inverter-wait'),
				source: PRACTICE
			},
			proof: {
				what: say('isolation.ac-power.read'),
				unit: 'W',
				limit: { least: 1 },
				source: say('isolation.source.display'),
				beyond: say('isolation.on.inverter-idle')
			}
		})
	);
}

function acOn({ parts }: ArrayRecord): SafetyStep[] {
	const disconnects = partsOf(parts, 'ac-disconnect');
	const devices = disconnects.length > 0 ? disconnects : partsOf(parts, 'breaker');
	const code = disconnects.length > 0 ? 'isolation.on.ac-disconnect' : 'isolation.on.pv-breaker';
	return devices.map((part) =>
		up(part, 'ac', say(code, { mark: part.mark }), { kind: 'ac-on', part: part.id })
	);
}

const dcOn = ({ parts }: ArrayRecord): SafetyStep[] =>
	partsOf(parts, 'dc-disconnect').map((part) =>
		up(part, 'dc', say('isolation.on.dc-disconnect', { mark: part.mark }), {
			kind: 'disconnect-closed',
			part: part.id
		})
	);

function fusesIn(record: ArrayRecord): SafetyStep[] {
	return record.strings.some(({ fuse }) => fuse !== null)
		? [
				step('up', {
					key: 'up/fuses-in',
					title: say('isolation.on.fuses'),
					effect: { kind: 'fuses-in' }
				})
			]
		: [];
}

function initiatorOn(record: ArrayRecord): SafetyStep[] {
	return partsOf(record.parts, 'transmitter').map((part) => ({
		...up(part, 'initiator', say('isolation.on.initiator'), {
			kind: 'initiator-on'
		}),
		cautions: [{ text: say('isolation.on.initiator-caution'), source: PRACTICE }]
	}));
}

/**
 * Return to service, for the parts of this array. The manufacturer's order decides; where it is not known:
 * DC, then AC; a battery before its PV.
 */
export function switchingOn(record: ArrayRecord, voltage: StringVoltage): SafetyStep[] {
	switch (record.system) {
		case 'off-grid':
			return [
				polarity(record, voltage),
				...partsOf(record.parts, 'battery').map((part) => ({
					...up(part, 'battery', say('isolation.on.battery-breaker', { mark: part.mark }), {
						kind: 'battery-on',
						part: part.id
					}),
					proof: {
						what: say('isolation.on.battery-read'),
						unit: 'V' as const,
						limit: { least: 1 },
						source: say('isolation.source.battery'),
						beyond: say('isolation.on.battery-reversed')
					}
				})),
				...fusesIn(record),
				...dcOn(record),
				step('up', { key: 'up/loads', title: say('isolation.on.loads') })
			];
		case 'micro-inverters':
			return [
				step('up', {
					key: 'up/connectors',
					title: say('isolation.on.connectors')
				}),
				...acOn(record)
			];
		case 'rapid-shutdown':
			return [
				polarity(record, voltage),
				...fusesIn(record),
				...dcOn(record),
				...initiatorOn(record),
				...acOn(record),
				...started(record)
			];
		default:
			return [
				...(record.system === 'optimisers' ? [] : [polarity(record, voltage)]),
				...fusesIn(record),
				...dcOn(record),
				...acOn(record),
				...started(record)
			];
	}
}
