import { standbyVoltage } from '../expectation';
import { type ArrayRecord, isAcBranch, type Part, partsOf, type SiteRules } from '../record';
import { BLOWN_FUSE, CIRCULATING } from './cautions';
import { DEAD_VOLTAGE, NO_CURRENT } from '../assessment';
import { clampProved, step } from './arrival';
import { type IsolationMessage, PRACTICE, say } from './messages';
import { type Effect, placeOf, type SafetyStep, type Task, type Wait } from './step';

const zemboDefault = (limit: number, unit: string) =>
	say('isolation.source.zembo-default', { limit, unit });
/** Minutes waited where the manufacturer's are not recorded; common practice. */
const USUAL_MINUTES = 5;
/** Display volts of an array with optimisers below which they have let go, V; common practice. */
const OPTIMISERS_OFF = 50;

/** A step at a device, with its place. */
function at(part: Part, verb: string, title: IsolationMessage, effect: Effect | null): SafetyStep {
	return step('down', {
		key: `down/${verb}/${part.id}`,
		title,
		part,
		where: placeOf(part),
		effect
	});
}

/** Switches that are locked off, by what they are called. */
type Switch = 'ac-disconnect' | 'pv-breaker' | 'branch-breaker' | 'dc-disconnect' | 'pv-disconnect';

const lockOff = (device: Switch, part: Part, effect: Effect): SafetyStep =>
	at(part, 'off', say(`isolation.off.${device}`, { mark: part.mark }), effect);

/** AC side off: at its disconnects, or where there are none at the breakers. */
function acOff(
	{ parts }: ArrayRecord,
	breaker: 'pv-breaker' | 'branch-breaker' = 'pv-breaker'
): SafetyStep[] {
	const disconnects = partsOf(parts, 'ac-disconnect');
	const devices = disconnects.length > 0 ? disconnects : partsOf(parts, 'breaker');
	const device = disconnects.length > 0 ? 'ac-disconnect' : breaker;
	return devices.map((part) => lockOff(device, part, { kind: 'ac-off', part: part.id }));
}

function dcOff(
	{ parts }: ArrayRecord,
	device: 'dc-disconnect' | 'pv-disconnect' = 'dc-disconnect'
): SafetyStep[] {
	return partsOf(parts, 'dc-disconnect').map((part) =>
		lockOff(device, part, { kind: 'disconnect-open', part: part.id })
	);
}

/** A clamp round every string, before or after the switch. */
function noCurrent(record: ArrayRecord, when: 'before' | 'after'): SafetyStep[] {
	return record.strings
		.filter((string) => !isAcBranch(string))
		.map((string) =>
			step('down', {
				key: `down/clamp-${when}/${string.id}`,
				title: say(`isolation.no-current.${when}`, { string: string.label }),
				where: say('isolation.where.clamp'),
				proof: {
					what: say('isolation.no-current.read', { string: string.label }),
					unit: 'A',
					limit: { most: NO_CURRENT },
					source: zemboDefault(NO_CURRENT, 'A'),
					beyond: CIRCULATING.text
				}
			})
		);
}

/** What the edition requires of the voltage after the initiator, and how long it allows. */
function shutdownLimit({ edition }: SiteRules): {
	readonly seconds: number;
	readonly clause: IsolationMessage;
} {
	return edition === 2014
		? { seconds: 10, clause: say('isolation.source.shutdown-2014') }
		: {
				seconds: 30,
				clause: edition
					? say('isolation.source.shutdown', { edition })
					: say('isolation.source.shutdown-2017-on')
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
			part.specs.initiator
				? say('isolation.off.initiator-at', { initiator: part.specs.initiator })
				: say('isolation.off.initiator'),
			{ kind: 'initiator-off' }
		),
		step('down', {
			key: `down/shutdown/${part.id}`,
			title: say('isolation.shutdown', { seconds }),
			part,
			where: say('isolation.where.inverter-terminals'),
			wait: {
				seconds,
				why: say('isolation.shutdown.wait'),
				source: clause
			},
			proof: {
				what: say('isolation.shutdown.read'),
				unit: 'V',
				limit: { most: SHUTDOWN_VOLTAGE },
				source: clause,
				beyond: say('isolation.shutdown.failed')
			},
			cautions: [{ text: say('isolation.shutdown.caution'), source: PRACTICE }]
		})
	]);
}

function stopInverters({ parts }: ArrayRecord): SafetyStep[] {
	return partsOf(parts, 'inverter').map((part) =>
		at(part, 'stop', say('isolation.off.inverter', { mark: part.mark }), {
			kind: 'inverter-stopped',
			part: part.id
		})
	);
}

function acPowerGone({ parts }: ArrayRecord): SafetyStep[] {
	return partsOf(parts, 'inverter').map((part) =>
		step('down', {
			key: `down/ac-power/${part.id}`,
			title: say('isolation.ac-power', { mark: part.mark }),
			part,
			where: placeOf(part),
			proof: {
				what: say('isolation.ac-power.read'),
				unit: 'W',
				limit: { most: 5 },
				source: zemboDefault(5, 'W'),
				beyond: say('isolation.ac-power.failed')
			},
			cautions: [{ text: say('isolation.ac-power.caution'), source: PRACTICE }]
		})
	);
}

function capacitorWait(part: Part): Wait {
	const stated = part.kind === 'inverter' ? part.specs.capacitorMinutes : null;
	const minutes = stated ?? USUAL_MINUTES;
	return {
		seconds: minutes * 60,
		why: say('isolation.capacitors', { mark: part.mark, minutes }),
		source: say(
			stated === null ? 'isolation.source.capacitors-unknown' : 'isolation.source.device-label'
		)
	};
}

const PAIRS = ['plus-minus', 'plus-earth', 'minus-earth'] as const;

/** The inverter's or controller's side proved dead, all three ways. */
function provedDead(part: Part): SafetyStep[] {
	return [
		...PAIRS.map((pair, i) =>
			step('down', {
				key: `down/dead-${pair}/${part.id}`,
				title: say(`isolation.dead.${pair}`, { mark: part.mark }),
				part,
				where: placeOf(part),
				wait: i === 0 ? capacitorWait(part) : null,
				proof: {
					what: say(`isolation.dead.${pair}-read`),
					unit: 'V',
					limit: { most: DEAD_VOLTAGE },
					source: zemboDefault(DEAD_VOLTAGE, 'V'),
					beyond: say('isolation.dead.failed')
				},
				effect: i === PAIRS.length - 1 ? { kind: 'proved-dead', part: part.id } : null
			})
		),
		step('down', {
			key: `down/meter-again/${part.id}`,
			title: say('isolation.meter-again'),
			proof: {
				what: say('isolation.known-source'),
				unit: 'V',
				limit: { least: 1 },
				source: say('isolation.source.test-prove-test'),
				beyond: say('isolation.meter-again.failed')
			}
		})
	];
}

function fusesOut(record: ArrayRecord): SafetyStep[] {
	if (!record.strings.some(({ fuse }) => fuse !== null)) return [];
	const combiners = partsOf(record.parts, 'combiner')
		.map(({ mark, place }) => `${mark}${place ? `, ${place}` : ''}`)
		.join('; ');
	return [
		step('down', {
			key: 'down/fuses-out',
			title: say('isolation.fuses-out'),
			where: combiners === '' ? null : say('isolation.where.combiners', { combiners }),
			effect: { kind: 'fuses-out' },
			cautions: [{ text: say('isolation.fuses-out.caution'), source: PRACTICE }, BLOWN_FUSE]
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
		return step('down', {
			key: `down/standby/${part.id}`,
			title:
				standby.length > 0
					? say('isolation.standby-near', {
							mark: part.mark,
							limit: OPTIMISERS_OFF,
							near: Math.round(Math.max(...standby))
						})
					: say('isolation.standby', { mark: part.mark, limit: OPTIMISERS_OFF }),
			part,
			where: placeOf(part),
			proof: {
				what: say('isolation.standby.read'),
				unit: 'V',
				limit: { most: OPTIMISERS_OFF },
				source: say('isolation.source.standby'),
				beyond: say('isolation.standby.failed')
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
const AC_PAIRS = ['line-line', 'line-neutral', 'line-earth'] as const;

function microInverters(record: ArrayRecord): SafetyStep[] {
	return [
		...acOff(record, 'branch-breaker'),
		...AC_PAIRS.map((pair) =>
			step('down', {
				key: `down/branch-dead-${pair}`,
				earlierKey: 'down/branch-dead',
				title: say(`isolation.branch-dead.${pair}`),
				where: say('isolation.where.trunk-cable'),
				proof: {
					what: say(`isolation.branch-dead.${pair}-read`),
					unit: 'V',
					limit: { most: DEAD_VOLTAGE },
					source: zemboDefault(DEAD_VOLTAGE, 'V'),
					beyond: say('isolation.branch-dead.failed')
				}
			})
		),
		step('down', {
			key: 'down/ac-connector',
			title: say('isolation.connectors-off')
		})
	];
}

function battery(record: ArrayRecord): SafetyStep[] {
	return [
		step('down', { key: 'down/loads', title: say('isolation.off.loads') }),
		...dcOff(record, 'pv-disconnect'),
		clampProved('down', 'down/clamp-proved'),
		...noCurrent(record, 'after'),
		...partsOf(record.parts, 'battery')
			.map((part) =>
				at(part, 'battery', say('isolation.off.battery-breaker', { mark: part.mark }), {
					kind: 'battery-off',
					part: part.id
				})
			)
			.map((one) => ({
				...one,
				cautions: [{ text: say('isolation.battery.caution'), source: PRACTICE }]
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
