import { stringKey } from '../visit';
import type { PlaceResult } from '../assessment';
import { type ArrayRecord, isAcBranch, type Part, partsOf, type StringRecord } from '../record';
import { step } from './arrival';
import type { Effect, SafetyStep } from './step';

/** Verdicts of the strings' open-circuit volts, by key; what is missing has none. */
export type StringVoltage = ReadonlyMap<string, PlaceResult>;

const up = (part: Part, verb: string, title: string, effect: Effect): SafetyStep =>
	step('up', {
		key: `up/${verb}/${part.id}`,
		title,
		part,
		where: part.place ?? 'place not recorded',
		effect
	});

/** Why a string may not be connected in parallel; null where polarity and open-circuit voltage did not fail. */
export function closingProblem(string: StringRecord, voltage: StringVoltage): string | null {
	const place = voltage.get(stringKey(string.id, 'open-circuit-voltage'));
	const { label } = string;
	if (!place || place.state === 'unread')
		return `${label}: measure polarity and open-circuit voltage first.`;
	if (place.reading.value < 0) {
		return `${label} reads ${place.reading.value} V: reversed polarity. In parallel with other strings about twice Voc would be across its fuse.`;
	}
	if (place.state === 'not-assessed') return `${label}: ${place.reason}`;
	if (place.verdict === 'fail') {
		return `${label}: open-circuit voltage failed${place.counted ? `, ${place.counted.words}` : ''}. Repair it, or leave its fuses out.`;
	}
	return null;
}

function polarity(record: ArrayRecord, voltage: StringVoltage): SafetyStep {
	const problems = record.strings
		.filter((string) => !isAcBranch(string))
		.flatMap((string) => closingProblem(string, voltage) ?? []);
	return step('up', {
		key: 'up/polarity',
		title: 'Fuses still out: confirm polarity and open-circuit voltage of every string',
		blocked: problems.length > 0 ? problems.join(' ') : null
	});
}

/** An end that starts: what its display says stands in the visit. */
function started({ parts }: ArrayRecord): SafetyStep[] {
	return partsOf(parts, 'inverter').map((part) =>
		step('up', {
			key: `up/display/${part.id}`,
			title: `Wait for ${part.mark} to start. Record its power.`,
			part,
			where: part.place ?? 'place not recorded',
			wait: {
				seconds: 60,
				words: 'An inverter checks the grid before it starts; some take five minutes.',
				source: 'common practice'
			},
			proof: {
				words: 'AC power on the display',
				unit: 'W',
				limit: { least: 1 },
				source: 'inverter display',
				beyond:
					'The inverter does not feed the grid. Read its message and enter it at the test plan.'
			}
		})
	);
}

const unlockedOn = (words: string, { mark }: Part) =>
	`Remove lock and tag from ${words} ${mark}. Switch ${mark} ON.`;

function acOn({ parts }: ArrayRecord): SafetyStep[] {
	const disconnects = partsOf(parts, 'ac-disconnect');
	const devices = disconnects.length > 0 ? disconnects : partsOf(parts, 'breaker');
	const words = disconnects.length > 0 ? 'AC disconnect' : 'PV breaker';
	return devices.map((part) =>
		up(part, 'ac', unlockedOn(words, part), { kind: 'ac-on', part: part.id })
	);
}

const dcOn = ({ parts }: ArrayRecord): SafetyStep[] =>
	partsOf(parts, 'dc-disconnect').map((part) =>
		up(part, 'dc', unlockedOn('DC disconnect', part), {
			kind: 'disconnect-closed',
			part: part.id
		})
	);

function fusesIn(record: ArrayRecord): SafetyStep[] {
	return record.strings.some(({ fuse }) => fuse !== null)
		? [
				step('up', {
					key: 'up/fuses-in',
					title: 'Insert string fuses, DC disconnect still open',
					effect: { kind: 'fuses-in' }
				})
			]
		: [];
}

function initiatorOn(record: ArrayRecord): SafetyStep[] {
	return partsOf(record.parts, 'transmitter').map((part) => ({
		...up(part, 'initiator', 'Switch the initiator ON. Confirm the transmitter is powered.', {
			kind: 'initiator-on'
		}),
		cautions: [
			{
				words:
					'Until the transmitter is powered each string reads devices × standby voltage. This is expected.',
				source: 'common practice'
			}
		]
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
					...up(
						part,
						'battery',
						`Confirm battery polarity. ${unlockedOn('battery breaker', part)}`,
						{
							kind: 'battery-on',
							part: part.id
						}
					),
					proof: {
						words: 'Battery at the breaker, positive to negative',
						unit: 'V' as const,
						limit: { least: 1 },
						source: 'polarity before closing; pre-charge by the manufacturer’s instructions',
						beyond: 'Reversed or empty. Do not close the breaker.'
					}
				})),
				...fusesIn(record),
				...dcOn(record),
				step('up', { key: 'up/loads', title: 'Switch loads ON' })
			];
		case 'micro-inverters':
			return [
				step('up', {
					key: 'up/connectors',
					title: 'Connect the unit’s DC connectors, then its AC connector'
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
