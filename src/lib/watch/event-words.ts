import type { ArrayEvent, UnitEvent } from '$core/production/analysis/event';
import type { ReturningShade } from '$core/production/analysis/shade';
import type { Clipping } from '$core/production/analysis/clipping';

/** "12 March 2026" of 2026-03-12. */
export function dateWords(date: string): string {
	return new Intl.DateTimeFormat('en-GB', {
		timeZone: 'UTC',
		day: 'numeric',
		month: 'long',
		year: 'numeric'
	}).format(new Date(`${date}T00:00:00Z`));
}

/** "22 April" */
const shortDate = (date: string) => dateWords(date).replace(/ \d{4}$/, '');
const percent = (share: number) => `${Math.round(100 * share)} %`;

/** "9:00", "10:30" of hours after midnight. */
function clock(hours: number): string {
	return `${Math.floor(hours)}:${String(Math.round((hours % 1) * 60)).padStart(2, '0')}`;
}

const SHARES = [
	{ share: 0.5, words: 'half of' },
	{ share: 2 / 3, words: 'two thirds of' },
	{ share: 1 / 3, words: 'a third of' }
] as const;
const NEAR = 0.025;

/** "half of what its like give", "83 % of what its like give" */
function ofItsLike(level: number): string {
	const near = SHARES.find(({ share }) => Math.abs(level - share) < NEAR);
	return `${near ? near.words : `${percent(level)} of`} what its like give`;
}

/** What happened to a unit, in one sentence without its name. */
export function eventWords(event: UnitEvent): string {
	const { kind, since, until, level } = event;
	const time = until
		? `from ${dateWords(since)} to ${dateWords(until)}`
		: `since ${dateWords(since)}`;
	switch (kind) {
		case 'dead':
			return `${until ? 'gave' : 'gives'} nothing ${time}`;
		case 'silent':
			return `${until ? 'said' : 'says'} nothing at all ${time}`;
		case 'low':
			return `${until ? 'gave' : 'gives'} ${ofItsLike(level)} from its first day on${until ? `, to ${dateWords(until)}` : ''}`;
		case 'step':
			return `${until ? 'gave' : 'gives'} ${ofItsLike(level)} ${time}`;
		case 'slope':
			return `falls behind slowly, by ${percent(1 - level)} since ${dateWords(since)}`;
		case 'dirt':
			return `fell by ${percent(1 - level)} from ${dateWords(since)} and was back at once on ${dateWords(event.washed)}: dirt that came off`;
		case 'shade':
			return `stands in shade from about ${clock(event.shade.begins)} to ${clock(event.shade.ends)} under a bright sky${sunWords(event.shade)}, seen from ${dateWords(since)} to ${dateWords(event.shade.last)}`;
	}
}

/** ", the sun at 115° to 150° and 21° to 38° high": the place of what stands in the way. */
function sunWords({ sun }: ReturningShade): string {
	if (!sun) return '';
	const range = ([a, b]: readonly [number, number]) => `${a.toFixed(0)}° to ${b.toFixed(0)}°`;
	return `, the sun at ${range(sun.azimuths)} from north and ${range(sun.heights)} high`;
}

/** Whether it wants somebody to go there. */
export function lasts({ kind, until }: UnitEvent): boolean {
	return until === null && kind !== 'dirt';
}

export function arrayEventWords({ kind, since, until, change, washed }: ArrayEvent): string {
	switch (kind) {
		case 'dirt':
			return `All together fell by ${percent(-change)} from ${dateWords(since)} to ${dateWords(until!)} and were back on ${dateWords(washed!)}: dirt, washed off by rain or by hand`;
		case 'sensor-drift':
			return `The irradiance sensor reads ${percent(Math.abs(change))} ${change < 0 ? 'less' : 'more'} than at the beginning, against the array and the clear sky: clean it or have it calibrated`;
		case 'fall':
			return `All together fell by ${percent(-change)} over the time shown, against sensor and clear sky, and nothing took it back: look at the glass`;
	}
}

/** Flat tops of several units at one level. */
export interface FlatGroup {
	readonly kind: Clipping['kind'];
	/** W */
	readonly level: number;
	readonly units: readonly string[];
	readonly days: readonly string[];
	readonly hours: number;
	/** kWh of all together. */
	readonly lost: Clipping['lost'];
}

/** Units that are cut at the same level, together. */
export function flatGroups(clipping: readonly Clipping[]): FlatGroup[] {
	const groups = new Map<string, Clipping[]>();
	for (const one of clipping) {
		const key = `${one.kind} ${Number(one.level.toPrecision(2))}`;
		groups.set(key, [...(groups.get(key) ?? []), one]);
	}
	return [...groups.values()].map((some) => {
		const sum = (of: (one: Clipping) => number) => some.reduce((all, one) => all + of(one), 0);
		return {
			kind: some[0]!.kind,
			level: sum(({ level }) => level) / some.length,
			units: some.map(({ unit }) => unit),
			days: [...new Set(some.flatMap(({ days }) => days))].sort(),
			hours: sum(({ hours }) => hours),
			lost: {
				value: sum(({ lost }) => lost.value),
				low: sum(({ lost }) => lost.low),
				high: sum(({ lost }) => lost.high)
			}
		};
	});
}

/** Dates shown one by one; more are counted. */
const SHOWN = 4;

/** "23 units stood flat at 290 W on 2 days (22 April, 7 May)" */
export function flatWords(
	{ units, level, days }: FlatGroup,
	labelOf: (key: string) => string
): string {
	const who = units.length === 1 ? labelOf(units[0]!) : `${units.length} units`;
	const dates = days.slice(0, SHOWN).map(shortDate).join(', ');
	const more = days.length > SHOWN ? ' and others' : '';
	return `${who} stood flat at ${level.toFixed(0)} W on ${days.length} ${days.length === 1 ? 'day' : 'days'} (${dates}${more})`;
}

export const FLAT_KIND_WORDS: Readonly<Record<Clipping['kind'], { name: string; means: string }>> =
	{
		clipping: {
			name: 'Clipping',
			means: 'At the device’s rating: what it was bought for. Not a fault.'
		},
		limit: {
			name: 'Held back',
			means:
				'Always at one level that is nobody’s rating: a limit that was set, or that the grid asks for. Look at the settings.'
		},
		derating: {
			name: 'Held back by heat',
			means:
				'The level falls as it gets hotter: the device protects itself. Look at its air, its place and its fans.'
		}
	};
