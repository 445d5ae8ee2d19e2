const IN_FULL = new Intl.DateTimeFormat('en-GB', {
	timeZone: 'UTC',
	day: 'numeric',
	month: 'short',
	year: 'numeric',
	hour: '2-digit',
	minute: '2-digit',
	hourCycle: 'h23'
});

/** "12 Mar 2026, 14:15" of a clock's reading as if it were UTC. */
export function clockWords(clock: number): string {
	return IN_FULL.format(new Date(clock));
}
