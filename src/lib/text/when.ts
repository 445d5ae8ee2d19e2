/** Date and time at a site, in its own time zone. */
export function dayAndTime(instant: string, timeZone: string): string {
	return new Intl.DateTimeFormat('en-GB', {
		timeZone,
		day: 'numeric',
		month: 'short',
		year: 'numeric',
		hour: '2-digit',
		minute: '2-digit'
	}).format(new Date(instant));
}

export function day(instant: string, timeZone: string): string {
	return new Intl.DateTimeFormat('en-GB', {
		timeZone,
		day: 'numeric',
		month: 'long',
		year: 'numeric'
	}).format(new Date(instant));
}

/** "just now", "12 min ago", "3 h ago", "5 days ago". */
export function ago(instant: string, now: number): string {
	const minutes = Math.max(0, Math.round((now - Date.parse(instant)) / 60_000));
	if (minutes < 2) return 'just now';
	if (minutes < 90) return `${minutes} min ago`;
	const hours = Math.round(minutes / 60);
	return hours < 48 ? `${hours} h ago` : `${Math.round(hours / 24)} days ago`;
}
