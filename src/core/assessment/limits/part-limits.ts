import { expectedOf, type ModelJudgement } from '../judge-by-model';
import { weighedValue } from '../../expectation';
import { type Reading, stringKey } from '../../visit';
import { type ArrayRecord, type Part, partsOf, partsOnward } from '../../record';
import { judged, PRACTICE, type Judged } from './limit-verdict';

/** Limits of small resistances and of what counts as no volts; judgement, from usual meters and parts. */
const LIMITS = {
	/** Of a whole fuse or a closed pole with the leads' own, ohm. */
	closed: 1,
	/** From here on a fuse or a pole is open, ohm. */
	open: 1000,
	/** Volts across a fuse that carries current, V. */
	acrossFuse: 0.5,
	/** From here on a fuse that should carry current is open, V. */
	acrossOpen: 5,
	/** Current from which a fuse is loaded, A. */
	loaded: 0.5,
	/** Volts that count as none after a proved meter read them, V. */
	dead: 5,
	/** Share by which the two sides of a closed switch may differ. */
	sides: 0.02,
	/** Share by which the line side may differ from what its strings give. */
	line: 0.08,
	/** Share by which a low-voltage supply may differ from its label. */
	supply: 0.1
} as const;

export const DEAD_VOLTAGE = LIMITS.dead;

/** A fuse by its resistance, out of its holder. */
export function judgeFuseResistance(reading: Reading): Judged {
	const value = weighedValue(reading);
	const limit = `intact below ${LIMITS.closed} Ω, open above ${LIMITS.open} Ω`;
	if (value <= LIMITS.closed) return judged('pass', 'The fuse is intact.', limit);
	if (value >= LIMITS.open) {
		return judged(
			'fail',
			'The fuse is open. Before replacing it, check polarity, open-circuit voltage, insulation resistance and shorted modules of its string.',
			limit
		);
	}
	return judged('marginal', 'Neither intact nor open: clean its caps and measure again.', limit);
}

/** A fuse by the volts across it. */
export function judgeFuseVoltage(standing: ReadonlyMap<string, Reading>, reading: Reading): Judged {
	const { place, value } = reading;
	if (place.kind !== 'fuse') return judged('not-assessed', '');
	const limit = `below ${LIMITS.acrossFuse} V while current flows`;
	if (Math.abs(value) >= LIMITS.acrossOpen) {
		return judged('fail', 'Voltage across it: the fuse is open.', limit, PRACTICE);
	}
	const current = standing.get(stringKey(place.string, 'operating-current'))?.value ?? 0;
	if (Math.abs(current) < LIMITS.loaded) {
		return judged(
			'not-assessed',
			'Near 0 V means nothing while no current flows: clamp the string, or measure its resistance out of the holder.',
			limit,
			PRACTICE
		);
	}
	return Math.abs(value) <= LIMITS.acrossFuse
		? judged('pass', 'It carries current with almost no voltage across it.', limit, PRACTICE)
		: judged(
				'marginal',
				'Voltage drop higher than that of a clean fuse: check its clips for heat marks.',
				limit
			);
}

/** A pole of a switch by its resistance, closed and dead. */
export function judgePole(reading: Reading): Judged {
	const value = weighedValue(reading);
	const limit = `below ${LIMITS.closed} ohm while closed`;
	return value <= LIMITS.closed
		? judged('pass', 'The pole closes.', limit)
		: judged('fail', 'The pole does not close, or closes badly.', limit);
}

/** AC volts at a point of a supply, or of the grid side. */
export function judgeAcVoltage({ value }: Reading): Judged {
	const limit = 'present: 90 V or more';
	if (value < 10)
		return judged('fail', 'No AC voltage here: measure one step nearer the grid.', limit);
	return value < 90
		? judged('marginal', 'Neither there nor gone: an induced voltage, or a lost neutral.', limit)
		: judged('pass', 'AC voltage is present.', limit, PRACTICE);
}

export function judgeLamp({ place, value }: Reading): Judged {
	const point = place.kind === 'part' ? place.point : null;
	if (point === 'window') {
		return value >= 0.5
			? judged('pass', 'Its window shows good.')
			: judged('fail', 'Spent: it protects nothing, and may leak to earth. Replace it.');
	}
	const signal = point === 'signal';
	if (value >= 0.5) return judged('pass', signal ? 'The signal is there.' : 'Lit.');
	return judged(
		'fail',
		signal
			? 'No signal on the string: the core must sit on one conductor only, and the loop be closed.'
			: 'Dark: no supply, or the transmitter itself.'
	);
}

/** DC volts at a part: a transmitter's supply, or one side of a switch. */
export function judgeDcVoltage(
	record: ArrayRecord,
	standing: ReadonlyMap<string, Reading>,
	model: Pick<ModelJudgement, 'places'>,
	reading: Reading
): Judged {
	const { place, value } = reading;
	if (place.kind === 'array') return judgeRack(value);
	if (place.kind !== 'part') return judged('not-assessed', '');
	const part = record.parts.find(({ id }) => id === place.part);
	if (!part) return judged('not-assessed', 'The part is no longer recorded.');
	if (place.point === 'low-voltage') return judgeSupply(part, value);
	if (place.point === 'load') return judgeLoadSide(part, standing, reading);
	return judgeLineSide(record, part, model, reading);
}

function judgeRack(value: number): Judged {
	const limit = `at most ${LIMITS.dead} V to earth`;
	return Math.abs(value) <= LIMITS.dead
		? judged('pass', 'No voltage on rack and frames at this moment.', limit)
		: judged('fail', 'The metal is live. Hands off; find the earth fault first.', limit);
}

function judgeSupply(part: Part, value: number): Judged {
	const stated = part.kind === 'transmitter' ? part.specs.supplyVolts : null;
	const wanted = stated ?? LIMITS.dead;
	const limit =
		stated === null ? 'present' : `${stated} V within ${100 * LIMITS.supply} % of its label`;
	if (value < wanted * (stated === null ? 1 : 1 - LIMITS.supply)) {
		return judged(
			'fail',
			'The low-voltage supply is down: its input, then the supply itself.',
			limit
		);
	}
	return stated !== null && value > stated * (1 + LIMITS.supply)
		? judged('marginal', 'Above its label.', limit)
		: judged('pass', 'The supply is there.', limit);
}

/** Strings whose way leads over a part. */
function stringsThrough(record: ArrayRecord, partId: string) {
	return record.strings.filter((string) =>
		partsOnward(record, string.to).some(({ id }) => id === partId)
	);
}

function judgeLineSide(
	record: ArrayRecord,
	part: Part,
	{ places }: Pick<ModelJudgement, 'places'>,
	{ value }: Reading
): Judged {
	const voltage = stringsThrough(record, part.id).flatMap(({ id }) => {
		const expected = expectedOf(places, id);
		return expected ? [expected.value] : [];
	});
	if (voltage.length === 0) {
		return judged('not-assessed', `No expected voltage for the strings on ${part.mark} yet.`);
	}
	const [least, most] = [Math.min(...voltage), Math.max(...voltage)];
	const limit = `${least.toFixed(0)} to ${most.toFixed(0)} V open, less while running`;
	if (value < 0) return judged('fail', 'Polarity reversed. Close nothing.', limit);
	if (value < 0.6 * least) {
		return judged(
			'fail',
			'Far below what its strings give: a fuse, a string, or the devices.',
			limit
		);
	}
	return value > most * (1 + LIMITS.line)
		? judged('fail', 'Above what its strings give: two strings in series, or a misread.', limit)
		: judged('pass', 'As its strings give.', limit);
}

function judgeLoadSide(
	part: Part,
	standing: ReadonlyMap<string, Reading>,
	{ value, state }: Reading
): Judged {
	if (!state) return judged('not-assessed', 'Whether the switch was open or closed was not said.');
	if (state.disconnect === 'open') {
		const limit = `at most ${LIMITS.dead} V with the switch open`;
		return Math.abs(value) <= LIMITS.dead
			? judged('pass', 'No voltage behind the open switch at this moment.', limit)
			: judged(
					'fail',
					'Voltage behind an open switch: a pole is welded, another source feeds it, or the capacitors are still charged.',
					limit
				);
	}
	const line = standing.get(`${part.id}/line/dc-voltage`)?.value;
	if (line === undefined) return judged('not-assessed', 'Read the line side too.');
	const limit = `within ${100 * LIMITS.sides} % of the line side`;
	return Math.abs(value - line) <= LIMITS.sides * Math.abs(line)
		? judged('pass', 'Both sides alike: both poles close.', limit)
		: judged('fail', 'The two sides differ: a pole does not close.', limit);
}

/** Links of a transmitter's supply with what was read at each, from the breaker to the string. */
export interface SupplyLink {
	readonly words: string;
	readonly key: string;
	readonly reading: Reading | null;
	/** Null where it was not read. */
	readonly lit: boolean | null;
}

const LINKS = [
	['supply-breaker', 'ac-voltage', 'Supply breaker'],
	['supply-disconnect', 'ac-voltage', 'Its AC disconnect'],
	['low-voltage', 'dc-voltage', 'Low-voltage supply'],
	['lamp', 'lamp', 'Transmitter’s lamp'],
	['signal', 'lamp', 'Signal on the string']
] as const;

/** The supply of each transmitter as a ladder: the first dark rung is where to look. */
export function supplyLadders(
	record: ArrayRecord,
	standing: ReadonlyMap<string, Reading>
): { readonly part: Part; readonly links: readonly SupplyLink[] }[] {
	return partsOf(record.parts, 'transmitter').map((part) => ({
		part,
		links: LINKS.map(([point, quantity, words]): SupplyLink => {
			const key = `${part.id}/${point}/${quantity}`;
			const reading = standing.get(key) ?? null;
			const lit = reading && lightsUp(part, reading);
			return { words, key, reading, lit };
		})
	}));
}

function lightsUp(part: Part, reading: Reading): boolean {
	const { verdict } =
		reading.quantity === 'ac-voltage'
			? judgeAcVoltage(reading)
			: reading.quantity === 'lamp'
				? judgeLamp(reading)
				: judgeSupply(part, reading.value);
	return verdict === 'pass';
}
