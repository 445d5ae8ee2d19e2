<script lang="ts">
	import type { Snippet } from 'svelte';
	import { v4 as uuid } from 'uuid';
	import { resolve } from '$app/paths';

	interface Props {
		/** Address of a PDF, with its query. */
		href: string;
		class?: string;
		children: Snippet;
	}
	let { href, class: style = '', children }: Props = $props();

	/** A small report is there before anybody wonders; its progress would only flicker. */
	const PATIENCE = 700;
	const EVERY = 300;
	/** A second press makes no second report. */
	let busy = false;
	let share = $state<number | null>(null);
	let problem = $state('');

	/** Fetches the file, so that the page can say how far it is; without scripts the link does it alone. */
	async function fetchFile(event: MouseEvent): Promise<void> {
		if (event.metaKey || event.ctrlKey || event.shiftKey) return;
		event.preventDefault();
		if (busy) return;
		busy = true;
		const job = uuid();
		problem = '';
		let timer: ReturnType<typeof setTimeout>;
		const look = async () => {
			const answer = await fetch(resolve('/reports/[job]', { job })).catch(() => null);
			const told = answer?.ok ? ((await answer.json()) as { share: number | null }) : null;
			// What is told after the file has come is of no use, and would never be taken off again.
			if (!busy) return;
			share = told?.share ?? share ?? 0;
			timer = setTimeout(look, EVERY);
		};
		timer = setTimeout(look, PATIENCE);
		try {
			const answer = await fetch(`${href}${href.includes('?') ? '&' : '?'}job=${job}`);
			if (!answer.ok) throw new Error();
			const name = /filename="(.*)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1];
			const address = URL.createObjectURL(await answer.blob());
			const link = Object.assign(document.createElement('a'), { href: address, download: name });
			link.click();
			setTimeout(() => URL.revokeObjectURL(address), 60_000);
		} catch {
			problem = 'The report could not be fetched. Try again; nothing is lost.';
		} finally {
			clearTimeout(timer);
			busy = false;
			share = null;
		}
	}
</script>

<!-- eslint-disable svelte/no-navigation-without-resolve -- resolved by whoever hands it in -->
<a {href} class={style} download data-sveltekit-reload onclick={fetchFile}>{@render children()}</a>
<!-- eslint-enable svelte/no-navigation-without-resolve -->
{#if share !== null}
	<label class="making" role="status">
		<!-- The share is seen here and told by the progress: read out at each look it would not stop. -->
		<span
			>Making the report<span class="figure" aria-hidden="true">, {Math.round(100 * share)} %</span
			></span
		>
		<progress value={share} max="1"></progress>
	</label>
{/if}
{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}

<style>
	.making {
		display: inline-flex;
		align-items: center;
		gap: 0.6rem;
	}
</style>
