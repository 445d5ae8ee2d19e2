/**
 * Sends a visit file to the import on the page of sites.
 *
 * @throws with the server's answer where it is refused
 */
export async function importFile(
	{ address }: { readonly address: string },
	content: string
): Promise<void> {
	const body = new FormData();
	body.set('file', new Blob([content]), 'depot.json');
	const answer = await fetch(`${address}/?/import`, {
		method: 'POST',
		body,
		headers: { origin: address, accept: 'application/json' }
	});
	const text = await answer.text();
	if (!answer.ok || text.includes('"failure"')) throw new Error(text.slice(0, 300));
}
