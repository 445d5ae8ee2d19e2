import type {
	ArrayEvent,
	Clipping,
	ClockFinding,
	Loss,
	ReturningShade,
	UnitEvent
} from '$core/monitoring';

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

/** "half of what its peers give", "83 % of what its peers give" */
function ofItsLike(level: number): string {
	const near = SHARES.find(({ share }) => Math.abs(level - share) < NEAR);
	return `${near ? near.words : `${percent(level)} of`} what its peers give`;
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
		case 'intermittent':
			return `${until ? 'stopped' : 'stops'} and ${until ? 'started' : 'starts'} again: ${event.outages} outages, ${event.days} days without output, ${time}`;
		case 'silent':
			return `${until ? 'said' : 'says'} nothing at all ${time}`;
		case 'low':
			return `${until ? 'gave' : 'gives'} ${ofItsLike(level)} from its first day on${until ? `, to ${dateWords(until)}` : ''}`;
		case 'step':
			return `${until ? 'gave' : 'gives'} ${ofItsLike(level)} ${time}`;
		case 'slope':
			return `falls behind slowly, by ${percent(1 - level)} since ${dateWords(since)}`;
		case 'dirt':
			return `fell by ${percent(1 - level)} from ${dateWords(since)} and was back at once on ${dateWords(event.washed)}: soiling that came off`;
		case 'shade':
			return `stands in shade from about ${clock(event.shade.begins)} to ${clock(event.shade.ends)} under a bright sky${sunWords(event.shade)}, seen ${seasonWords(event.shade)}`;
	}
}

/** "from 12 March 2026 to 20 April 2026", once for each season. */
function seasonWords({ seasons }: ReturningShade): string {
	return seasons
		.map(({ first, last }) => `from ${dateWords(first)} to ${dateWords(last)}`)
		.join(' and ');
}

/** ", the sun at 115° to 150° and 21° to 38° high": the place of what stands in the way. */
function sunWords({ sun }: ReturningShade): string {
	if (!sun) return '';
	const range = ([a, b]: readonly [number, number]) => `${a.toFixed(0)}° to ${b.toFixed(0)}°`;
	return `, the sun at ${range(sun.azimuths)} from north and ${range(sun.heights)} high`;
}

/** "About 31 kWh not generated (26 to 37)" */
export function lossWords({ lost, lostBand }: Loss): string {
	const figure = (value: number) => (value < 10 ? value.toFixed(1) : value.toFixed(0));
	return `About ${figure(lost)} kWh not generated (${figure(lostBand.low)} to ${figure(lostBand.high)})`;
}

/** Whether it wants somebody to go there. */
export function lasts({ kind, until }: UnitEvent): boolean {
	return until === null && kind !== 'dirt';
}

export function arrayEventWords({ kind, since, until, change, washed }: ArrayEvent): string {
	switch (kind) {
		case 'snow':
			return `Snow lay on some units and not on others between ${dateWords(since)} and ${dateWords(until!)}; while it did they gave ${percent(-change)} less than the clear ones. These days say nothing of single units`;
		case 'no-data':
			return `No unit reported anything from ${dateWords(since)} to ${dateWords(until!)}: look at the logger and its connection`;
		case 'dirt':
			return `All together fell by ${percent(-change)} from ${dateWords(since)} to ${dateWords(until!)} and were back on ${dateWords(washed!)}: soiling, washed off by rain or by hand`;
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
	/** kWh of all together; null where nothing tells it of any. */
	readonly lost: Clipping['lost'];
	readonly from: Clipping['from'];
}

/** Losses of several together; null where none is known. */
export function sumOfLosses(losses: readonly Clipping['lost'][]): Clipping['lost'] {
	const known = losses.filter((lost) => lost !== null);
	if (known.length === 0) return null;
	const sum = (of: (lost: NonNullable<Clipping['lost']>) => number) =>
		known.reduce((all, lost) => all + of(lost), 0);
	return {
		value: sum(({ value }) => value),
		low: sum(({ low }) => low),
		high: sum(({ high }) => high)
	};
}

/** What told how much would have been generated. */
export const LOSS_SOURCE_WORDS: Readonly<Record<NonNullable<Clipping['from']>, string>> = {
	peers: 'like units that were not limited',
	sensor: 'the irradiance sensor',
	'clear-sky': 'a clear sky, scaled by its unlimited hours',
	shoulders: 'a curve through the hours before and after'
};

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
			lost: sumOfLosses(some.map(({ lost }) => lost)),
			from: some.find(({ from }) => from !== null)?.from ?? null
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
			name: 'Derated by temperature',
			means:
				'The level falls as it gets hotter: the device protects itself. Look at its air, its place and its fans.'
		}
	};

/** "1 h 30 min" of a time in ms. */
function timeWords(millis: number): string {
	const minutes = Math.round(Math.abs(millis) / 60_000);
	const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
	return [hours > 0 ? `${hours} h` : '', rest > 0 ? `${rest} min` : ''].filter(Boolean).join(' ');
}

/** "UTC+1", "UTC−3:30" of ms ahead of UTC. */
function utcWords(offset: number): string {
	if (offset === 0) return 'UTC';
	const minutes = Math.abs(offset) / 60_000;
	const rest = minutes % 60;
	const hours = Math.floor(minutes / 60);
	return `UTC${offset < 0 ? '\u2212' : '+'}${hours}${rest > 0 ? `:${String(rest).padStart(2, '0')}` : ''}`;
}

/** What the sun says of the times of an export, and how to mend it. */
export function clockWords(finding: ClockFinding): {
	readonly what: string;
	readonly mend: string;
} {
	switch (finding.kind) {
		case 'shifted':
			return {
				what: `The times in the export are ${timeWords(finding.add)} ${finding.add > 0 ? 'early' : 'late'}: the middle of the lit hours is not solar noon.`,
				mend: 'Import the export again with the time zone that it was written in. If that is right already, set the clock of the logger, and check the position of the site.'
			};
		case 'fixed-offset':
			return {
				what: `The export keeps ${utcWords(finding.offset)} all year, but was read in the time zone of the site: part of the year its times are wrong.`,
				mend: `Import the export again and set its clock to “all year ${utcWords(finding.offset)}”.`
			};
		case 'irregular':
			return {
				what: `The times in the export do not go with the sun, and by different amounts over the year: the correction would be between ${finding.add.map((add) => `${add < 0 ? '\u2212' : '+'}${timeWords(add) || '0 min'}`).join(' and ')}.`,
				mend: 'Find out when the clock of the logger was set, and import the parts of the export one by one.'
			};
	}
}
