import { traceCommand } from '../../src/cli/trace';
import type { NeutralCase, TruthPlace } from './sets';
import { statistician } from './frontier';

/*
 * Fixed rules of scoring for visits in the neutral form. A line is right when every member of it belongs to
 * what was hidden, or to what first readings cannot tell from it at the same place.
 */

const LOW_CURRENT = [
	'shade',
	'module-degraded',
	'soiling',
	'connector-resistive',
	'hot-cell',
	'module-pid',
	'module-wrong-type'
];
const NO_CURRENT = ['fuse-blown', 'blocking-diode-open'];
const ALIKE = [
	['bypass-diode-shorted', 'section-open'],
	['module-open', 'connector-open'],
	['module-shorted', 'module-missing', 'rsd-device-off', 'optimiser-dead']
];
/** No fault, or none of a string. */
const HARMLESS = ['healthy', 'clipping', 'unequal-parallel', 'reading-wrong'];

interface Member {
	readonly code: string;
	readonly place: TruthPlace;
}
interface Line {
	readonly probability: number;
	readonly members: readonly Member[];
}

const at = (place: TruthPlace) =>
	place.reading ??
	place.string ??
	place.input ??
	(place.inverter === undefined ? undefined : String(place.inverter)) ??
	(place.strings ? [...place.strings].sort().join('+') : 'visit');

function placeOf({ code, place }: Member): string {
	if (code === 'rsd-no-signal' || code === 'conditions-wrong') return 'visit';
	return code === 'disconnect-open' && place.input ? place.input : at(place);
}

/** "code|place" of everything that is right to say of a visit. */
function rightAnswers({ record: { strings }, readings, truth }: NeutralCase): Set<string> {
	const has = (quantity: string) => readings.some((reading) => reading.quantity === quantity);
	const isCurrent = ({ quantity }: { readonly quantity: string }) => /current|isc/.test(quantity);
	const currentOf = (string: string) =>
		readings.findLast((reading) => isCurrent(reading) && reading.place.string === string)?.id;
	const voltageOf = (string: string) =>
		readings.findLast(
			({ quantity, place }) => quantity === 'string-voc-isolated' && place.string === string
		)?.id;
	const fuse = has('fuse-resistance');
	const answers = new Set<string>();
	const add = (code: string, place: string | undefined) => answers.add(`${code}|${place}`);
	for (const { code, place } of truth.faults) {
		const where = at(place);
		add(code, where);
		for (const group of ALIKE) if (group.includes(code)) group.forEach((one) => add(one, where));
		if (LOW_CURRENT.includes(code)) LOW_CURRENT.forEach((one) => add(one, where));
		if (NO_CURRENT.includes(code) && !fuse) {
			NO_CURRENT.forEach((one) => add(one, where));
			add('reading-wrong', currentOf(where));
			add('connector-open', where);
			const input = strings.find(({ id }) => id === where)?.input;
			if (strings.filter((string) => string.input === input).length === 1) {
				add('disconnect-open', input);
			}
		}
		if (code === 'blocking-diode-open') add('reading-wrong', currentOf(where));
		if (code === 'connector-reversed' && !has('string-positive-to-earth')) {
			add('reading-wrong', voltageOf(where));
		}
		if (code === 'disconnect-open') {
			const members = strings.filter(({ input }) => input === where);
			if (members.length === 1) NO_CURRENT.forEach((one) => add(one, members[0]!.id));
		}
		if (code === 'module-reversed' && !has('string-current-operating'))
			add('module-missing', where);
		const whole = code === 'record-wrong' && place.strings?.length === strings.length;
		if (code === 'conditions-wrong' || whole) {
			['conditions-wrong', 'soiling', 'record-wrong'].forEach((one) => add(one, 'visit'));
			add(
				'record-wrong',
				strings
					.map(({ id }) => id)
					.sort()
					.join('+')
			);
		}
		if (code === 'record-wrong') {
			for (const id of place.strings ?? []) {
				add('record-wrong', id);
				add('module-wrong-type', id);
			}
		}
		if (code === 'strings-swapped') place.strings?.forEach((id) => add(code, id));
		if (code === 'rsd-no-signal') ['visit', 'site'].forEach((one) => add(code, one));
	}
	for (const { reading: id, how } of truth.wrongReadings) {
		add('reading-wrong', id);
		const reading = readings.find((one) => one.id === id);
		if (!reading) continue;
		if (reading.quantity === 'string-voc-isolated' && how === 'leads-swapped') {
			add('connector-reversed', reading.place.string);
		}
		if (isCurrent(reading) && ['zero', 'ac-range'].includes(how)) {
			NO_CURRENT.forEach((one) => add(one, reading.place.string));
		}
	}
	return answers;
}

/** Whether the readings that were taken can show a fault at all. */
function isVisible({ readings }: NeutralCase, code: string): boolean {
	const has = (quantity: string) => readings.some((reading) => reading.quantity === quantity);
	const running = has('string-current-operating');
	switch (code) {
		case 'earth-fault':
			return has('string-positive-to-earth');
		case 'fuse-blown':
			return running || has('fuse-resistance');
		case 'module-degraded':
		case 'shade':
		case 'blocking-diode-open':
		case 'disconnect-open':
		case 'connector-resistive':
		case 'clipping':
			return running;
		default:
			return true;
	}
}

/** What became of the diagnosis of a set. */
export interface DiagnosisTally {
	visits: number;
	first: number;
	/** What a statistician with the true scatter would have right. */
	frontier: number;
	three: number;
	/** The same without the codes of low current. */
	plainVisits: number;
	plainFirst: number;
	plainFrontier: number;
	calledHealthy: number;
	healthyVisits: number;
	accused: number;
	/** Lines that say 0.9 or more, and how many of them are right. */
	sureLines: number;
	sureRight: number;
}

/** Scores the lines of all visits. */
export function tallyDiagnosis(cases: readonly NeutralCase[]): DiagnosisTally {
	const tally: DiagnosisTally = {
		visits: 0,
		first: 0,
		frontier: 0,
		three: 0,
		plainVisits: 0,
		plainFirst: 0,
		plainFrontier: 0,
		calledHealthy: 0,
		healthyVisits: 0,
		accused: 0,
		sureLines: 0,
		sureRight: 0
	};
	const shows = statistician(cases);
	for (const one of cases) {
		const { truth, ...given } = one;
		const answer = traceCommand(given);
		if (!answer.ok) throw new Error(answer.problem.what);
		const { causes } = answer.value as { causes: readonly Line[] };
		const answers = rightAnswers(one);
		const isRight = (line: Line | undefined) =>
			line !== undefined &&
			line.members.every((member) => answers.has(`${member.code}|${placeOf(member)}`));
		const [first] = causes;
		const code = first?.members[0]?.code ?? 'healthy';
		if (truth.code === 'healthy') {
			tally.healthyVisits++;
			tally.accused += Number(!HARMLESS.includes(code) && !isRight(first));
			continue;
		}
		const nothing = truth.faults.length === 0 && truth.wrongReadings.length === 0;
		const hidden =
			truth.faults.length > 0 && !truth.faults.some((fault) => isVisible(one, fault.code));
		if (['clipping', 'unequal-parallel'].includes(truth.code) || nothing || hidden) continue;
		const right = Number(isRight(first));
		tally.visits++;
		const shown = Number(shows(one));
		tally.first += right;
		tally.frontier += shown;
		tally.three += Number(causes.slice(0, 3).some(isRight));
		if (!LOW_CURRENT.includes(truth.code)) {
			tally.plainVisits++;
			tally.plainFirst += right;
			tally.plainFrontier += shown;
		}
		tally.calledHealthy += Number(code === 'healthy');
		for (const line of causes) {
			if (line.probability < 0.9 || line.members[0]?.code === 'healthy') continue;
			tally.sureLines++;
			tally.sureRight += Number(isRight(line));
		}
	}
	return tally;
}
