import { stringKey } from '../visit';
import type { PlaceResult } from '../assessment';
import { type ArrayRecord, isAcBranch, type Part, partsOf, type StringRecord } from '../record';
import { step } from './arrival';
import type { Effect, SafetyStep } from './step';

/** Verdicts of the strings' open-circuit volts, by key; what is missing has none. */
export type StringVolts = ReadonlyMap<string, PlaceResult>;

const up = (part: Part, verb: string, title: string, effect: Effect): SafetyStep =>
	step('up', {
		key: `up/${verb}/${part.id}`,
		title,
		part,
		where: part.place ?? 'place not recorded',
		effect
	});

/** Why a string may not be closed on its comparable strings; null where polarity and volts stand in their band. */
export function closingProblem(string: StringRecord, volts: StringVolts): string | null {
	const place = volts.get(stringKey(string.id, 'open-circuit-voltage'));
	const { label } = string;
	if (!place || place.state === 'unread')
		return `${label}: polarity and open-circuit volts are not read yet.`;
	if (place.reading.value < 0) {
		return `${label} reads ${place.reading.value} V: reversed. Beside parallel strings about twice Voc would stand across its fuse.`;
	}
	if (place.state === 'not-assessed') return `${label}: ${place.reason}`;
	if (place.verdict === 'fail') {
		return `${label}: open-circuit volts are out of their band${place.counted ? `, ${place.counted.words}` : ''}. Put it right, or leave its fuse out.`;
	}
	return null;
}

function polarity(record: ArrayRecord, volts: StringVolts): SafetyStep {
	const problems = record.strings
		.filter((string) => !isAcBranch(string))
		.flatMap((string) => closingProblem(string, volts) ?? []);
	return step('up', {
		key: 'up/polarity',
		title: 'Fuses still out: polarity and open-circuit volts of every string in band',
		blocked: problems.length > 0 ? problems.join(' ') : null
	});
}

/** An end that starts: what its display says stands in the visit. */
function started({ parts }: ArrayRecord): SafetyStep[] {
	return partsOf(parts, 'inverter').map((part) =>
		step('up', {
			key: `up/display/${part.id}`,
			title: `${part.mark}: started, its power noted`,
			part,
			where: part.place ?? 'place not recorded',
			wait: {
				seconds: 60,
				words: 'An inverter watches the grid before it starts; some take five minutes.',
				source: 'common practice'
			},
			proof: {
				words: 'AC power on the display',
				unit: 'W',
				limit: { least: 1 },
				source: 'its display',
				beyond: 'It does not feed: read its message, and type it under “Inverter says”.'
			}
		})
	);
}

function acOn({ parts }: ArrayRecord): SafetyStep[] {
	const disconnects = partsOf(parts, 'ac-disconnect');
	const devices = disconnects.length > 0 ? disconnects : partsOf(parts, 'breaker');
	return devices.map((part) =>
		up(part, 'ac', `${part.mark}: lock and tag off, AC on`, { kind: 'ac-on', part: part.id })
	);
}

const dcOn = ({ parts }: ArrayRecord): SafetyStep[] =>
	partsOf(parts, 'dc-disconnect').map((part) =>
		up(part, 'dc', `${part.mark}: lock and tag off, DC on`, {
			kind: 'disconnect-closed',
			part: part.id
		})
	);

function fusesIn(record: ArrayRecord): SafetyStep[] {
	return record.strings.some(({ fuse }) => fuse !== null)
		? [
				step('up', {
					key: 'up/fuses-in',
					title: 'String fuses in, the disconnect still open',
					effect: { kind: 'fuses-in' }
				})
			]
		: [];
}

function initiatorOn(record: ArrayRecord): SafetyStep[] {
	return partsOf(record.parts, 'transmitter').map((part) => ({
		...up(part, 'initiator', 'Initiator on, transmitter fed', { kind: 'initiator-on' }),
		cautions: [
			{
				words:
					'Until the transmitter is fed the strings show devices x standby volts: that is expected.',
				source: 'common practice'
			}
		]
	}));
}

/**
 * The way back on, for the parts of this array. The maker's order decides; where it is not known: DC,
 * then AC; a battery before its PV.
 */
export function switchingOn(record: ArrayRecord, volts: StringVolts): SafetyStep[] {
	switch (record.system) {
		case 'off-grid':
			return [
				polarity(record, volts),
				...partsOf(record.parts, 'battery').map((part) => ({
					...up(part, 'battery', `${part.mark}: polarity read, then battery breaker on`, {
						kind: 'battery-on',
						part: part.id
					}),
					proof: {
						words: 'Battery at the breaker, plus to minus',
						unit: 'V' as const,
						limit: { least: 1 },
						source: 'polarity before closing; pre-charge as the maker says',
						beyond: 'Reversed or empty: do not close.'
					}
				})),
				...fusesIn(record),
				...dcOn(record),
				step('up', { key: 'up/loads', title: 'Loads on' })
			];
		case 'micro-inverters':
			return [
				step('up', {
					key: 'up/connectors',
					title: 'DC connectors of the unit home, then its AC connector'
				}),
				...acOn(record)
			];
		case 'rapid-shutdown':
			return [
				polarity(record, volts),
				...fusesIn(record),
				...dcOn(record),
				...initiatorOn(record),
				...acOn(record),
				...started(record)
			];
		default:
			return [
				...(record.system === 'optimisers' ? [] : [polarity(record, volts)]),
				...fusesIn(record),
				...dcOn(record),
				...acOn(record),
				...started(record)
			];
	}
}
