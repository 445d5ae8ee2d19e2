import { standbyVolts } from '../expectation';
import { type ArrayRecord, isAcBranch, type Part, partsOf, type SiteRules } from '../record';
import { BLOWN_FUSE, CIRCULATING } from './cautions';
import { DEAD_VOLTS, NO_CURRENT } from '../assessment';
import { clampProved, step } from './arrival';
import type { Effect, SafetyStep, Task, Wait } from './step';

const JUDGEMENT = 'judgement, editable in the house’s own rules';
/** Minutes waited where the maker's are not recorded; common practice. */
const USUAL_MINUTES = 5;
/** Display volts of an array with optimisers below which they have let go, V; common practice. */
const OPTIMISERS_OFF = 50;

/** A step at a device, with its place. */
function at(part: Part, verb: string, title: string, effect: Effect | null): SafetyStep {
	return step('down', {
		key: `down/${verb}/${part.id}`,
		title,
		part,
		where: part.place ?? 'place not recorded',
		effect
	});
}

const lockOff = (words: string, part: Part, effect: Effect): SafetyStep =>
	at(part, 'off', `${words} ${part.mark} off, lock, tag`, effect);

/** AC side off: at its disconnects, or where there are none at the breakers. */
function acOff({ parts }: ArrayRecord): SafetyStep[] {
	const disconnects = partsOf(parts, 'ac-disconnect');
	const devices = disconnects.length > 0 ? disconnects : partsOf(parts, 'breaker');
	const words = disconnects.length > 0 ? 'AC disconnect' : 'PV breaker';
	return devices.map((part) => lockOff(words, part, { kind: 'ac-off', part: part.id }));
}

function dcOff({ parts }: ArrayRecord): SafetyStep[] {
	return partsOf(parts, 'dc-disconnect').map((part) =>
		lockOff('DC disconnect', part, { kind: 'disconnect-open', part: part.id })
	);
}

/** A clamp round every string, before or after the switch. */
function noCurrent(record: ArrayRecord, when: 'before' | 'after'): SafetyStep[] {
	return record.strings
		.filter((string) => !isAcBranch(string))
		.map((string) =>
			step('down', {
				key: `down/clamp-${when}/${string.id}`,
				title: `${string.label}: clamp shows 0 A${when === 'after' ? ' again' : ''}`,
				where: 'round one conductor',
				proof: {
					words: `Clamp round one conductor of ${string.label}`,
					unit: 'A',
					limit: { most: NO_CURRENT },
					source: `${NO_CURRENT} A is ${JUDGEMENT}`,
					beyond: CIRCULATING.words
				}
			})
		);
}

/** What the edition asks of the volts after the initiator, and how long it gives. */
function shutdownLimit({ edition }: SiteRules): {
	readonly seconds: number;
	readonly clause: string;
} {
	return edition === 2014
		? { seconds: 10, clause: 'NEC 2014 690.12, 30 V within 10 s, from memory' }
		: {
				seconds: 30,
				clause: `NEC ${edition ?? '2017 on'} 690.12(B), 30 V outside the array within 30 s, from memory`
			};
}

/** Volts outside the array that the initiator must bring about, V. */
const SHUTDOWN_VOLTS = 30;

function initiatorOff(record: ArrayRecord): SafetyStep[] {
	const { seconds, clause } = shutdownLimit(record.rules);
	return partsOf(record.parts, 'transmitter').flatMap((part): SafetyStep[] => [
		at(
			part,
			'initiator',
			`Initiator off${part.specs.initiator ? `: ${part.specs.initiator}` : ''}`,
			{ kind: 'initiator-off' }
		),
		step('down', {
			key: `down/shutdown/${part.id}`,
			title: `Volts of the strings at the inverter after ${seconds} s`,
			part,
			where: 'at the inverter’s DC terminals, or its display',
			wait: {
				seconds,
				words: 'The devices are given this long to let go.',
				source: clause
			},
			proof: {
				words: 'Plus to minus at the inverter’s side',
				unit: 'V',
				limit: { most: SHUTDOWN_VOLTS },
				source: clause,
				beyond:
					'A device holds its module up. The limits are for firefighters, and these are not kept: leave the roof’s conductors alone and find the device.'
			},
			cautions: [
				{
					words:
						'A device is no proof of dead: a reading is. Each module’s own leads stay live behind its device.',
					source: 'common practice'
				}
			]
		})
	]);
}

function stopInverters({ parts }: ArrayRecord): SafetyStep[] {
	return partsOf(parts, 'inverter').map((part) =>
		at(part, 'stop', `Stop ${part.mark} at its own switch or menu`, {
			kind: 'inverter-stopped',
			part: part.id
		})
	);
}

function acPowerGone({ parts }: ArrayRecord): SafetyStep[] {
	return partsOf(parts, 'inverter').map((part) =>
		step('down', {
			key: `down/ac-power/${part.id}`,
			title: `${part.mark}: AC power 0 on its display`,
			part,
			where: part.place ?? 'place not recorded',
			proof: {
				words: 'AC power on the display',
				unit: 'W',
				limit: { most: 5 },
				source: '5 W is judgement',
				beyond: 'It still feeds the grid: the wrong switch, or another supply. Find it.'
			},
			cautions: [
				{ words: 'DC rises to open-circuit volts: that is expected.', source: 'common practice' }
			]
		})
	);
}

function capacitorWait(part: Part): Wait {
	const stated = part.kind === 'inverter' ? part.specs.capacitorMinutes : null;
	const minutes = stated ?? USUAL_MINUTES;
	return {
		seconds: minutes * 60,
		words: `Capacitors of ${part.mark}: ${minutes} min`,
		source: stated === null ? '5 minutes where unknown, common practice' : 'its label'
	};
}

const PAIRS = [
	['plus-minus', 'plus to minus'],
	['plus-earth', 'plus to earth'],
	['minus-earth', 'minus to earth']
] as const;

/** The inverter's or controller's side proved dead, all three ways. */
function provedDead(part: Part): SafetyStep[] {
	return [
		...PAIRS.map(([pair, words], i) =>
			step('down', {
				key: `down/dead-${pair}/${part.id}`,
				title: `${part.mark}, its side of the open switch: ${words}`,
				part,
				where: part.place ?? 'place not recorded',
				wait: i === 0 ? capacitorWait(part) : null,
				proof: {
					words: `${words[0]!.toUpperCase()}${words.slice(1)}`,
					unit: 'V',
					limit: { most: DEAD_VOLTS },
					source: `${DEAD_VOLTS} V is ${JUDGEMENT}`,
					beyond:
						'Not dead: charged still, a welded pole, or another source. Wait, read again; do not go on.'
				},
				effect: i === PAIRS.length - 1 ? { kind: 'proved-dead', part: part.id } : null
			})
		),
		step('down', {
			key: `down/meter-again/${part.id}`,
			title: 'Meter proved again on the known source',
			proof: {
				words: 'The known source, as the meter shows it',
				unit: 'V',
				limit: { least: 1 },
				source: 'test, prove, test; common practice',
				beyond: 'The meter failed meanwhile: nothing it showed counts. Begin the proof anew.'
			}
		})
	];
}

function fusesOut(record: ArrayRecord): SafetyStep[] {
	if (!record.strings.some(({ fuse }) => fuse !== null)) return [];
	return [
		step('down', {
			key: 'down/fuses-out',
			title: 'String fuses out, both poles, one after the other',
			where: partsOf(record.parts, 'combiner')
				.map(({ mark, place }) => `${mark}${place ? `, ${place}` : ''}`)
				.join('; '),
			effect: { kind: 'fuses-out' },
			cautions: [
				{
					words:
						'The string side of every holder stays live in daylight. A fuse comes out at 0 A only.',
					source: 'common practice'
				},
				BLOWN_FUSE
			]
		})
	];
}

/** Ends of strings: inverters and controllers, whose side of the switch is proved dead. */
const ends = ({ parts }: ArrayRecord): Part[] => [
	...partsOf(parts, 'inverter'),
	...partsOf(parts, 'charge-controller')
];

function stringInverter(record: ArrayRecord, task: Task): SafetyStep[] {
	const noLoad = [
		...stopInverters(record),
		...acOff(record),
		...acPowerGone(record),
		clampProved('down', 'down/clamp-proved'),
		...noCurrent(record, 'before'),
		...dcOff(record),
		...noCurrent(record, 'after')
	];
	// A fuse comes out only once the inverter's side is proved dead, whatever it is taken out for.
	const out = fusesOut(record);
	return task === 'dead' || out.length > 0
		? [...noLoad, ...ends(record).flatMap(provedDead), ...out]
		: noLoad;
}

function optimisers(record: ArrayRecord): SafetyStep[] {
	const gone = ends(record).map((part) => {
		const standby = record.strings
			.flatMap((string) => standbyVolts(record, string) ?? [])
			.map(({ count, each }) => count * each);
		const near = standby.length > 0 ? `, near ${Math.max(...standby).toFixed(0)} V a string` : '';
		return step('down', {
			key: `down/standby/${part.id}`,
			title: `${part.mark}: DC volts on its display below ${OPTIMISERS_OFF} V${near}`,
			part,
			where: part.place ?? 'place not recorded',
			proof: {
				words: 'DC volts on the display',
				unit: 'V',
				limit: { most: OPTIMISERS_OFF },
				source: 'common practice; about 1 V a module in standby',
				beyond: 'An optimiser holds its volts: wait longer; do not open the disconnect under load.'
			}
		});
	});
	return [
		...acOff(record),
		...gone,
		...dcOff(record),
		clampProved('down', 'down/clamp-proved'),
		...noCurrent(record, 'after')
	];
}

function microInverters(record: ArrayRecord): SafetyStep[] {
	return [
		...acOff(record).map((one) => ({
			...one,
			title: one.title.replace('PV breaker', 'Branch breaker')
		})),
		step('down', {
			key: 'down/branch-dead',
			title: 'AC branch at the roof: no volts',
			where: 'at the first drop of the trunk cable',
			proof: {
				words: 'Line to line and line to earth',
				unit: 'V',
				limit: { most: DEAD_VOLTS },
				source: `${DEAD_VOLTS} V is ${JUDGEMENT}`,
				beyond: 'The branch is live: another breaker feeds it.'
			}
		}),
		step('down', {
			key: 'down/ac-connector',
			title: 'AC connector of the unit apart, then its DC connectors'
		})
	];
}

function battery(record: ArrayRecord): SafetyStep[] {
	return [
		step('down', { key: 'down/loads', title: 'Loads off' }),
		...dcOff(record).map((one) => ({
			...one,
			title: one.title.replace('DC disconnect', 'PV disconnect')
		})),
		clampProved('down', 'down/clamp-proved'),
		...noCurrent(record, 'after'),
		...partsOf(record.parts, 'battery')
			.map((part) =>
				at(part, 'battery', `${part.mark}: battery breaker off, lock, tag`, {
					kind: 'battery-off',
					part: part.id
				})
			)
			.map((one) => ({
				...one,
				cautions: [
					{
						words: 'Battery terminals are always live: insulated tools, covers on.',
						source: 'common practice'
					}
				]
			})),
		...ends(record).flatMap(provedDead),
		...fusesOut(record)
	];
}

/**
 * The way down for this array and this task, by the name of each device, each step with the reading
 * that proves it; common practice, and the maker's order decides.
 */
export function switchingOff(record: ArrayRecord, task: Task): SafetyStep[] {
	if (task === 'closed-covers') return [];
	switch (record.system) {
		case 'off-grid':
			return battery(record);
		case 'micro-inverters':
			return microInverters(record);
		case 'optimisers':
			return optimisers(record);
		case 'rapid-shutdown':
			// Open-circuit volts behind the devices need them fed: the initiator stays on for live work.
			return [...(task === 'dead' ? initiatorOff(record) : []), ...stringInverter(record, task)];
		default:
			return stringInverter(record, task);
	}
}
