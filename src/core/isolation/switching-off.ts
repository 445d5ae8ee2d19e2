import { standbyVoltage } from '../expectation';
import { type ArrayRecord, isAcBranch, type Part, partsOf, type SiteRules } from '../record';
import { BLOWN_FUSE, CIRCULATING } from './cautions';
import { DEAD_VOLTAGE, NO_CURRENT } from '../assessment';
import { clampProved, step } from './arrival';
import type { Effect, SafetyStep, Task, Wait } from './step';

const DEFAULT = 'Zembo default';
/** Minutes waited where the manufacturer's are not recorded; common practice. */
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
	at(part, 'off', `Switch ${words} ${part.mark} OFF. Fit lock and tag.`, effect);

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
				title: `Confirm no current in ${string.label}${when === 'after' ? ', disconnect open' : ''}`,
				where: 'clamp meter round one conductor',
				proof: {
					words: `Current in one conductor of ${string.label}`,
					unit: 'A',
					limit: { most: NO_CURRENT },
					source: `${NO_CURRENT} A: ${DEFAULT}`,
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
		? { seconds: 10, clause: 'NEC 2014 690.12, 30 V within 10 s, clause not verified' }
		: {
				seconds: 30,
				clause: `NEC ${edition ?? '2017 on'} 690.12(B), 30 V outside the array within 30 s, clause not verified`
			};
}

/** Volts outside the array that the initiator must bring about, V. */
const SHUTDOWN_VOLTAGE = 30;

function initiatorOff(record: ArrayRecord): SafetyStep[] {
	const { seconds, clause } = shutdownLimit(record.rules);
	return partsOf(record.parts, 'transmitter').flatMap((part): SafetyStep[] => [
		at(
			part,
			'initiator',
			`Switch the initiator OFF${part.specs.initiator ? `: ${part.specs.initiator}` : ''}`,
			{ kind: 'initiator-off' }
		),
		step('down', {
			key: `down/shutdown/${part.id}`,
			title: `Measure string voltage at the inverter after ${seconds} s`,
			part,
			where: 'at the inverter’s DC terminals, or its display',
			wait: {
				seconds,
				words: 'Time allowed for the devices to shut down',
				source: clause
			},
			proof: {
				words: 'Positive to negative, inverter side',
				unit: 'V',
				limit: { most: SHUTDOWN_VOLTAGE },
				source: clause,
				beyond:
					'A device has not shut down, and the limit set for firefighters is exceeded. Do not touch conductors on the roof. Find the failed device.'
			},
			cautions: [
				{
					words:
						'A device does not prove dead; a reading does. Module leads stay live behind each device.',
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
			title: `Confirm no AC power on the display of ${part.mark}`,
			part,
			where: part.place ?? 'place not recorded',
			proof: {
				words: 'AC power on the display',
				unit: 'W',
				limit: { most: 5 },
				source: `5 W: ${DEFAULT}`,
				beyond:
					'The inverter still feeds the grid: wrong switch, or a second supply. Find it before going on.'
			},
			cautions: [
				{
					words: 'DC voltage rises to open-circuit voltage. This is expected.',
					source: 'common practice'
				}
			]
		})
	);
}

function capacitorWait(part: Part): Wait {
	const stated = part.kind === 'inverter' ? part.specs.capacitorMinutes : null;
	const minutes = stated ?? USUAL_MINUTES;
	return {
		seconds: minutes * 60,
		words: `Capacitors of ${part.mark} discharge: ${minutes} min`,
		source: stated === null ? '5 minutes where unknown; common practice' : 'device label'
	};
}

const PAIRS = [
	['plus-minus', 'positive to negative'],
	['plus-earth', 'positive to earth'],
	['minus-earth', 'negative to earth']
] as const;

/** The inverter's or controller's side proved dead, all three ways. */
function provedDead(part: Part): SafetyStep[] {
	return [
		...PAIRS.map(([pair, words], i) =>
			step('down', {
				key: `down/dead-${pair}/${part.id}`,
				title: `Prove ${part.mark} dead on its side of the open disconnect: ${words}`,
				part,
				where: part.place ?? 'place not recorded',
				wait: i === 0 ? capacitorWait(part) : null,
				proof: {
					words: `${words[0]!.toUpperCase()}${words.slice(1)}`,
					unit: 'V',
					limit: { most: DEAD_VOLTAGE },
					source: `${DEAD_VOLTAGE} V: ${DEFAULT}`,
					beyond:
						'Not dead: still charged, a welded contact, or a second source. Wait, measure again. Do not go on.'
				},
				effect: i === PAIRS.length - 1 ? { kind: 'proved-dead', part: part.id } : null
			})
		),
		step('down', {
			key: `down/meter-again/${part.id}`,
			title: 'Verify the meter again on the known source',
			proof: {
				words: 'Known source, as the meter displays it',
				unit: 'V',
				limit: { least: 1 },
				source: 'test, prove, test; common practice',
				beyond:
					'The meter failed meanwhile: its readings do not count. Prove dead again with another meter.'
			}
		})
	];
}

function fusesOut(record: ArrayRecord): SafetyStep[] {
	if (!record.strings.some(({ fuse }) => fuse !== null)) return [];
	return [
		step('down', {
			key: 'down/fuses-out',
			title: 'Remove string fuses, both poles, one string at a time',
			where: partsOf(record.parts, 'combiner')
				.map(({ mark, place }) => `${mark}${place ? `, ${place}` : ''}`)
				.join('; '),
			effect: { kind: 'fuses-out' },
			cautions: [
				{
					words:
						'The string side of every fuse holder stays live in daylight. Remove a fuse only after no current was measured in it.',
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
			.flatMap((string) => standbyVoltage(record, string) ?? [])
			.map(({ count, each }) => count * each);
		const near =
			standby.length > 0 ? `, about ${Math.max(...standby).toFixed(0)} V per string` : '';
		return step('down', {
			key: `down/standby/${part.id}`,
			title: `Confirm DC voltage below ${OPTIMISERS_OFF} V on the display of ${part.mark}${near}`,
			part,
			where: part.place ?? 'place not recorded',
			proof: {
				words: 'DC voltage on the display',
				unit: 'V',
				limit: { most: OPTIMISERS_OFF },
				source: 'common practice; about 1 V per module in standby',
				beyond:
					'An optimiser still delivers its voltage. Wait longer. Do not open the disconnect under load.'
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

/** Pairs of conductors of an AC branch, each with a reading of its own. */
const AC_PAIRS = [
	['line-line', 'line to line'],
	['line-neutral', 'line to neutral'],
	['line-earth', 'line to earth']
] as const;

function microInverters(record: ArrayRecord): SafetyStep[] {
	return [
		...acOff(record).map((one) => ({
			...one,
			title: one.title.replace('PV breaker', 'branch breaker')
		})),
		...AC_PAIRS.map(([pair, words]) =>
			step('down', {
				key: `down/branch-dead-${pair}`,
				earlierKey: 'down/branch-dead',
				title: `Prove the AC branch dead at the roof: ${words}`,
				where: 'at the first drop of the trunk cable',
				proof: {
					words: `${words[0]!.toUpperCase()}${words.slice(1)}`,
					unit: 'V',
					limit: { most: DEAD_VOLTAGE },
					source: `${DEAD_VOLTAGE} V: ${DEFAULT}`,
					beyond: 'The branch is live: another breaker feeds it. Find it before going on.'
				}
			})
		),
		step('down', {
			key: 'down/ac-connector',
			title: 'Disconnect the unit’s AC connector, then its DC connectors'
		})
	];
}

function battery(record: ArrayRecord): SafetyStep[] {
	return [
		step('down', { key: 'down/loads', title: 'Switch loads OFF' }),
		...dcOff(record).map((one) => ({
			...one,
			title: one.title.replace('DC disconnect', 'PV disconnect')
		})),
		clampProved('down', 'down/clamp-proved'),
		...noCurrent(record, 'after'),
		...partsOf(record.parts, 'battery')
			.map((part) =>
				at(part, 'battery', `Switch battery breaker ${part.mark} OFF. Fit lock and tag.`, {
					kind: 'battery-off',
					part: part.id
				})
			)
			.map((one) => ({
				...one,
				cautions: [
					{
						words: 'Battery terminals are always live. Use insulated tools. Keep covers on.',
						source: 'common practice'
					}
				]
			})),
		...ends(record).flatMap(provedDead),
		...fusesOut(record)
	];
}

/**
 * The isolation sequence for this array and this task, by the name of each device, each step with the reading
 * that proves it; common practice, and the manufacturer's order decides.
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
