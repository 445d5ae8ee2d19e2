<script lang="ts">
	import { page } from '$app/state';
	import { resolve } from '$app/paths';
	import { placeKey } from '$core/expectation/standing';
	import { QUANTITIES, type Quantity } from '$core/expectation/visit';
	import EntryPanel from '$lib/ui/EntryPanel.svelte';
	import PathView from '$lib/ui/PathView.svelte';
	import { useVisit } from '$lib/ui/visit-session.svelte';
	import WhySheet from '$lib/ui/WhySheet.svelte';
	import { QUANTITY_WORDS } from '$lib/ui/words';

	const session = useVisit();
	const record = $derived(session.document.record);

	let quantity = $state<Quantity>('open-circuit-voltage');
	let index = $state(0);

	const string = $derived(record.strings[index] ?? null);
	const lit = $derived(string && placeKey(string.id, quantity));
	const place = $derived(lit === null ? null : (session.places.get(lit) ?? null));
	const others = $derived(
		QUANTITIES.filter(
			(other) =>
				other !== quantity &&
				session.assessment.places.some((p) => p.quantity === other && p.reading !== null)
		)
	);
	/** The place whose reasons are open: the last that was read, or the one that was chosen. */
	let whyKey = $state<string | null>(null);
	const why = $derived(whyKey === null ? null : (session.places.get(whyKey) ?? null));

	// The first place without a reading is lit at the start.
	const open = firstOpen();
	if (open) {
		quantity = open.quantity;
		index = open.index;
	}

	function firstOpen(): { quantity: Quantity; index: number } | null {
		for (const candidate of ['open-circuit-voltage', 'operating-current'] as const) {
			const open = record.strings.findIndex((s) => !session.standing(s.id, candidate));
			if (open >= 0) return { quantity: candidate, index: open };
		}
		return null;
	}

	function choose(stringId: string, chosen: Quantity) {
		quantity = chosen;
		index = Math.max(
			0,
			record.strings.findIndex((s) => s.id === stringId)
		);
		const key = placeKey(stringId, chosen);
		whyKey = session.places.get(key)?.reading ? key : null;
	}

	/** One place on or back; at the end of the open-circuit volts the running currents begin. */
	function move(by: 1 | -1) {
		const next = index + by;
		if (next >= 0 && next < record.strings.length) index = next;
		else if (by === 1 && quantity === 'open-circuit-voltage') {
			quantity = 'operating-current';
			index = 0;
		} else if (by === -1 && quantity === 'operating-current') {
			quantity = 'open-circuit-voltage';
			index = record.strings.length - 1;
		}
	}

	function stored(key: string) {
		whyKey = key;
		move(1);
	}

	const imported = $derived(page.url.searchParams.get('import'));
</script>

<svelte:head><title>Measure · {session.document.site.name} · Zembo</title></svelte:head>

{#if record.strings.length === 0}
	<div class="page">
		<h1>No strings to measure</h1>
		<p>The record of this visit holds none. Add them, then start a visit that sees them.</p>
		<p>
			<a class="act" href={resolve('/sites/[site]/take-over', { site: session.document.site.id })}
				>Add strings</a
			>
		</p>
	</div>
{:else}
	<div class="measure">
		<section class="field" aria-label="Strings">
			{#if imported}
				<p class="notice" data-kind="done" role="status">
					{imported === 'done'
						? 'The visit was imported.'
						: 'This visit is here already, entry for entry; nothing was changed.'}
				</p>
			{/if}
			{#each session.assessment.warnings as warning (warning)}<p class="notice">{warning}</p>{/each}
			<div class="quantities" role="group" aria-label="What is measured">
				{#each QUANTITIES as candidate (candidate)}
					<button
						type="button"
						aria-pressed={quantity === candidate}
						onclick={() => {
							quantity = candidate;
							index = 0;
						}}
					>
						{QUANTITY_WORDS[candidate].name}
						<span class="figure">{QUANTITY_WORDS[candidate].unit}</span>
					</button>
				{/each}
			</div>
			<PathView
				{record}
				places={session.places}
				shown={[quantity]}
				marks={others}
				suspects={session.suspects}
				{lit}
				room={112}
				onchoose={choose}
			/>
			<p class="legend soft">
				<svg viewBox="0 0 34 16" aria-hidden="true"
					><rect x="1" y="2" width="32" height="12" /><path
						d="M7 2L1 8M14 2L2 14M21 2L9 14M28 2L16 14M33 4L23 14"
					/></svg
				>
				expected here and now, ± 2 standard uncertainties; the bar is the reading.
				{#if quantity === 'open-circuit-voltage'}Long ticks are one module’s volts, short ones a
					section.{:else}Long ticks are 10 %.{/if}
			</p>
		</section>
		<aside>
			{#if string}
				<EntryPanel
					{session}
					{string}
					{quantity}
					{place}
					onmove={move}
					onstored={stored}
					onplace={choose}
				/>
			{/if}
			{#if why}<WhySheet place={why} {session} />{/if}
		</aside>
	</div>
{/if}

<style>
	.measure {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 19.5rem;
		align-items: start;
	}

	.field {
		padding: 0.9rem clamp(0.75rem, 1.5vw, 1.25rem) 2rem;
		min-width: 0;
	}

	aside {
		position: sticky;
		top: var(--sky, 0);
		padding: 0.9rem;
		display: grid;
		gap: 0.9rem;
		border-inline-start: 1px solid var(--line);
		min-height: calc(100dvh - 120px);
		max-height: calc(100dvh - var(--sky, 0px));
		overflow-y: auto;
		align-content: start;
	}

	.notice {
		margin-bottom: 0.8rem;
	}

	.quantities {
		display: flex;
		gap: 0;
		margin-bottom: 0.7rem;
		border-bottom: var(--stroke) solid var(--rule);
	}

	.quantities button {
		min-height: 46px;
		padding: 0 1.1rem;
		font-weight: 600;
		color: var(--soft);
	}

	.quantities button[aria-pressed='true'] {
		color: var(--ink);
		box-shadow: inset 0 -4px var(--accent);
	}

	.legend {
		display: flex;
		gap: 0.6rem;
		align-items: center;
		font-size: 0.9rem;
		margin-top: 0.9rem;
	}

	.legend svg {
		width: 34px;
		flex: none;
		fill: none;
		stroke: var(--soft);
		stroke-width: 1.4;
	}

	@media (max-width: 900px) {
		.measure {
			grid-template-columns: minmax(0, 1fr);
		}

		aside {
			order: -1;
			border: 0;
			border-bottom: var(--stroke) solid var(--rule);
			min-height: 0;
			max-height: none;
			position: static;
			padding: 0.6rem 0.75rem;
		}

		.quantities button {
			padding: 0 0.7rem;
			flex: 1;
		}
	}
</style>
