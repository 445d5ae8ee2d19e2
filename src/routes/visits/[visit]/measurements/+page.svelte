<script lang="ts">
	import { isRead } from '$core/assessment';
	import { page } from '$app/state';
	import { resolve } from '$app/paths';
	import {
		isStringQuantity,
		keyOf,
		type Place,
		placeKey,
		QUANTITIES,
		type Quantity,
		QUANTITY_FACTS,
		STRING_QUANTITIES
	} from '$core/visit';
	import {
		itemsOf,
		type MeasurementPoint,
		measurementPointAt,
		measurementPointsOf
	} from '$core/visit-plan';
	import EntryPanel from '$lib/ui/EntryPanel.svelte';
	import LimitWhy from '$lib/ui/LimitWhy.svelte';
	import PathView from '$lib/ui/PathView.svelte';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import WhySheet from '$lib/ui/WhySheet.svelte';
	import ModulePicker from './ModulePicker.svelte';
	import MeasurementList from './MeasurementList.svelte';

	const session = useVisit();
	const record = $derived(session.document.record);
	const planned = $derived(itemsOf(session.plan));
	/** Quantities of the plan in its order, and those that were read besides. */
	const tabs = $derived.by((): Quantity[] => {
		const read = [...session.limits.values()].map(({ reading }) => reading.quantity);
		const strings = session.assessment.places.filter(isRead).map((place) => place.quantity);
		return [
			...new Set([
				...STRING_QUANTITIES.filter((name) => measurementPointsOf(record, name).length > 0),
				...planned.map((item) => item.quantity),
				...read,
				...strings,
				quantity
			])
		];
	});

	let quantity = $state<Quantity>('open-circuit-voltage');
	let index = $state(0);
	/** A place that is in no list: a module of a string. */
	let single = $state.raw<Place | null>(null);

	const spots = $derived(measurementPointsOf(record, quantity));
	const spot = $derived<MeasurementPoint | null>(
		single ? measurementPointAt(record, single, quantity) : (spots[index] ?? null)
	);
	const lit = $derived(spot && keyOf(spot));
	const onStrings = $derived(isStringQuantity(quantity) && single === null);
	const others = $derived(
		STRING_QUANTITIES.filter(
			(other) =>
				other !== quantity &&
				session.assessment.places.some((place) => place.quantity === other && isRead(place))
		)
	);
	/** The place whose reasons are open: the last that was read, or the one that was chosen. */
	let whyKey = $state<string | null>(null);
	const why = $derived(whyKey === null ? null : (session.places.get(whyKey) ?? null));
	const whyLimit = $derived(whyKey === null || why ? null : (session.limits.get(whyKey) ?? null));

	start();
	function start(): void {
		const asked = page.url.searchParams.get('quantity');
		const wanted = QUANTITIES.find((name) => name === asked);
		// The first place without a reading is lit at the start.
		const open = wanted ?? firstOpen() ?? 'open-circuit-voltage';
		choose(open);
		const key = page.url.searchParams.get('place');
		const at = spots.findIndex((candidate) => keyOf(candidate) === key);
		if (at >= 0) index = at;
	}

	function firstOpen(): Quantity | null {
		return (
			(['open-circuit-voltage', 'operating-current'] as const).find((candidate) =>
				measurementPointsOf(record, candidate).some(
					({ place }) => !session.currentAt(place, candidate)
				)
			) ??
			// An array without DC strings begins with what its plan wants.
			(measurementPointsOf(record, 'open-circuit-voltage').length === 0
				? (planned.find(({ done }) => !done)?.quantity ?? null)
				: null)
		);
	}

	/** Goes to a quantity, at its first place without a reading. */
	function choose(wanted: Quantity): void {
		single = null;
		quantity = wanted;
		const open = measurementPointsOf(record, wanted).findIndex(
			({ place }) => !session.currentAt(place, wanted)
		);
		index = Math.max(0, open);
	}

	function place(where: Place, wanted: Quantity): void {
		quantity = wanted;
		const key = placeKey(where, wanted);
		const at = measurementPointsOf(record, wanted).findIndex(
			(candidate) => keyOf(candidate) === key
		);
		single = at < 0 ? where : null;
		index = Math.max(0, at);
		const result = session.places.get(key);
		whyKey = (result && isRead(result)) || session.limits.has(key) ? key : null;
	}

	/** One place on or back; at the end of one quantity the next of the plan begins. */
	function move(by: 1 | -1): void {
		if (single) return;
		const next = index + by;
		if (next >= 0 && next < spots.length) {
			index = next;
			return;
		}
		const at = tabs.indexOf(quantity);
		const rest = by === 1 ? tabs.slice(at + 1) : tabs.slice(0, at).reverse();
		const other = rest.find((name) => planned.some((item) => item.quantity === name));
		if (!other) return;
		quantity = other;
		index = by === 1 ? 0 : Math.max(0, measurementPointsOf(record, other).length - 1);
	}

	function nextQuantity(): void {
		choose(tabs[(tabs.indexOf(quantity) + 1) % tabs.length]!);
	}

	function stored(key: string): void {
		whyKey = session.places.has(key) || session.limits.has(key) ? key : null;
		// Who went elsewhere while it was judged stays there.
		if (lit === key) move(1);
	}

	const WAYS = [
		{ href: '/visits/[visit]/combiner', words: 'Combiner check' },
		{ href: '/visits/[visit]/curves', words: 'Measured curves' },
		{ href: '/visits/[visit]/instruments', words: 'Instruments' }
	] as const;
	const imported = $derived(page.url.searchParams.get('import'));
</script>

<svelte:head><title>Measure · {session.document.site.name} · Zembo</title></svelte:head>

{#if record.strings.length === 0}
	<div class="page">
		<h1>No strings to measure</h1>
		<p>The record of this visit holds none. Add them, then start a visit that sees them.</p>
		<p>
			<a
				class="act"
				href={resolve('/sites/[site]/array-record', { site: session.document.site.id })}
				>Add strings</a
			>
		</p>
	</div>
{:else}
	<div class="measure">
		<section class="field" aria-label="Places">
			{#if imported}
				<p class="notice" data-kind="done" role="status">
					{imported === 'done'
						? 'The visit was imported.'
						: 'This visit is here already, entry for entry; nothing was changed.'}
				</p>
			{/if}
			{#each session.assessment.warnings as warning (warning)}<p class="notice">{warning}</p>{/each}
			<div class="quantities" role="group" aria-label="What is measured">
				{#each tabs as candidate (candidate)}
					<button
						type="button"
						aria-pressed={quantity === candidate}
						onclick={() => choose(candidate)}
					>
						{QUANTITY_FACTS[candidate].words}
					</button>
				{/each}
				<label class="sr-only" for="another">Another quantity</label>
				<select
					id="another"
					class="bare"
					value=""
					onchange={(event) => choose(event.currentTarget.value as Quantity)}
				>
					<option value="" disabled>More…</option>
					{#each QUANTITIES.filter((name) => !tabs.includes(name)) as name (name)}
						<option value={name}>{QUANTITY_FACTS[name].words}</option>
					{/each}
				</select>
			</div>
			{#if onStrings && isStringQuantity(quantity)}
				<PathView
					{record}
					places={session.places}
					shown={[quantity]}
					marks={others}
					suspects={session.suspects}
					{lit}
					room={112}
					onchoose={(id, wanted) => place({ kind: 'string', string: id }, wanted)}
				/>
				<p class="legend soft">
					<svg viewBox="0 0 34 16" aria-hidden="true"
						><rect x="1" y="2" width="32" height="12" /><path
							d="M7 2L1 8M14 2L2 14M21 2L9 14M28 2L16 14M33 4L23 14"
						/></svg
					>
					expected here and now, ± 2 standard uncertainties; the bar is the reading.
					{#if quantity === 'open-circuit-voltage'}Long ticks: one module. Short ticks: one
						substring.{:else}Long ticks: 10 %.{/if}
				</p>
			{:else}
				<MeasurementList {session} {spots} {lit} onchoose={(where) => place(where, quantity)} />
			{/if}
			<nav class="ways" aria-label="Other ways to measure">
				{#each WAYS as { href, words } (words)}
					<a class="act-plain" href={resolve(href, { visit: session.document.visit.id })}>{words}</a
					>
				{/each}
			</nav>
			{#if QUANTITY_FACTS[quantity].places.includes('module')}
				<details open={!onStrings}>
					<summary>One module of a string</summary>
					<ModulePicker {record} {quantity} onchoose={(where) => place(where, quantity)} />
				</details>
			{/if}
		</section>
		<aside>
			{#if spot}
				<EntryPanel
					{session}
					{spot}
					onmove={move}
					onstored={stored}
					onplace={place}
					onother={nextQuantity}
					following={single ? [spot] : spots.slice(index)}
				/>
			{/if}
			{#if why}<WhySheet place={why} {session} />
			{:else if whyLimit}<LimitWhy limit={whyLimit} {session} />{/if}
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
		flex-wrap: wrap;
		gap: 0;
		margin-bottom: 0.7rem;
		border-bottom: var(--stroke) solid var(--rule);
	}

	.quantities button {
		min-height: 46px;
		padding: 0 0.55rem;
		font-weight: 600;
		white-space: nowrap;
		color: var(--soft);
	}

	.quantities select {
		width: 7.2rem;
		margin-inline-start: auto;
		margin-bottom: 0.3rem;
	}

	.quantities button[aria-pressed='true'] {
		color: var(--ink);
		box-shadow: inset 0 -4px var(--accent);
	}

	details {
		margin-top: 1rem;
		border-top: 1px solid var(--line);
	}

	summary {
		display: flex;
		align-items: center;
		min-height: 46px;
		font-weight: 600;
	}

	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin-top: 1rem;
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
		}
	}
</style>
