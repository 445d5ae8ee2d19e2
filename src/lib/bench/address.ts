import { replaceState } from '$app/navigation';

/** Puts what is typed into the address, so that it comes back by reloading and can be sent; empty takes it out. */
export function keepInAddress(values: Readonly<Record<string, string>>): void {
	// The router's own url stands still while the address is only rewritten.
	const url = new URL(location.href);
	for (const [key, value] of Object.entries(values)) {
		if (value === '') url.searchParams.delete(key);
		else url.searchParams.set(key, value);
	}
	// eslint-disable-next-line svelte/no-navigation-without-resolve -- the page itself
	replaceState(url, {});
}
