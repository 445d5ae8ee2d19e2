/** Scrolls a row of links sideways so that the one to the current page is in its middle. */
export function centreCurrent(row: HTMLElement | undefined): void {
	const current = row?.querySelector('[aria-current]');
	if (!row || !current) return;
	const inRow = row.getBoundingClientRect();
	const of = current.getBoundingClientRect();
	row.scrollLeft += of.left + of.width / 2 - (inRow.left + inRow.width / 2);
}
