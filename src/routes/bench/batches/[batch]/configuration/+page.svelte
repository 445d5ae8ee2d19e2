<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { untrack } from 'svelte';
	import {
		answerConfiguration,
		type ArrayConfiguration,
		evaluateBatch,
		modulesOf,
		noPoolWords,
		readConfiguration,
		tidy,
		TRACKER,
		WARM_SUN,
		withPart,
		writeConfiguration
	} from '$core/bench';
	import { keepInAddress } from '$lib/bench/address';
	import FigureFields from '$lib/bench/FigureFields.svelte';
	import { FigureForm } from '$lib/bench/figure-form.svelte';
	import ConfigurationAdd from '$lib/bench/ConfigurationAdd.svelte';
	import ConfigurationChosen from '$lib/bench/ConfigurationChosen.svelte';
	import ConfigurationDrawing from '$lib/bench/ConfigurationDrawing.svelte';
	import ConfigurationProtection from '$lib/bench/ConfigurationProtection.svelte';
	import { poolOf } from '$lib/bench/pool';
	import Chart from '$lib/charts/Chart.svelte';
	import { configurationOption } from '$lib/charts/configuration-option';
	import { useBatch } from '$lib/session/batch-session.svelte';

	let { data } = $props();
	const session = useBatch();
	const pool = $derived(poolOf(session.batch, new Date().getFullYear()));
	const byId = $derived(new Map(pool.map(({ module }) => [module.id, module])));
	const idOf = (mark: string) =>
		pool.find(({ module }) => module.mark.toLowerCase() === mark.toLowerCase())?.module.id ?? null;
	const markOf = (id: string) => byId.get(id)?.mark ?? '?';

	/** Without a mix in the address: the first two of the batch beside the next two. */
	const first = () => {
		const marks = pool.slice(0, 4).map(({ module }) => module.mark);
		return marks.length < 4 ? marks.join('+') : `${marks[0]}+${marks[1]} | ${marks[2]}+${marks[3]}`;
	};
	let typed = $state(untrack(() => page.url.searchParams.get('of') ?? first()));
	let blocking = $state(untrack(() => page.url.searchParams.get('diodes') === 'yes'));
	let chosen = $state<string | null>(null);
	const form = new FigureForm({
		from: { min: 0, max: 2000, unit: 'V', words: 'Tracks from', first: '', optional: true },
		fuse: { min: 0.5, max: 200, unit: 'A', words: 'String fuses', first: '', optional: true }
	});

	const read = $derived(readConfiguration(typed, idOf));
	const mix = $derived(read.ok ? read.value : null);
	const parts = $derived({ moduleOf: (id: string) => byId.get(id)!, sky: WARM_SUN, blocking });
	const load = $derived({ ...TRACKER, window: { least: form.one('from') ?? 0, most: null } });
	const answer = $derived(mix ? answerConfiguration(mix, parts, load) : null);
	const places = $derived(new Map((answer?.places ?? []).map((place) => [place.id, place])));
	const part = $derived(
		mix && chosen ? (modulesOf(mix).find(({ id }) => id === chosen) ?? null) : null
	);

	/** What is asked beside the curve follows once the hand rests, so that the curve keeps up with it, ms. */
	const HAND_RESTS = 120;
	let rested = $state.raw(untrack(() => mix));
	$effect(() => {
		const now = mix;
		const timer = setTimeout(() => (rested = now), HAND_RESTS);
		return () => clearTimeout(timer);
	});
	const asked = $derived(rested && { mix: rested, parts, fuse: form.one('fuse') });
	/** New ones of the library, as their labels have them. */
	const library = $derived(
		data.types.map(({ id, name, plate: nameplate, limits: { seriesFuse } }) => ({
			module: {
				id,
				mark: '',
				model: name,
				plate: nameplate,
				labelWatts: nameplate.pmax,
				seriesFuse
			},
			size: null,
			connector: null
		}))
	);

	const keep = () => keepInAddress({ of: typed, diodes: blocking ? 'yes' : '' });
	function become(next: ArrayConfiguration | null): void {
		if (!next) return;
		typed = writeConfiguration(tidy(next), markOf);
		chosen = null;
		keep();
	}
	function shade(irradiance: number, settled: boolean): void {
		const next =
			mix && part
				? withPart(mix, part.id, (old) => (old.kind === 'module' ? { ...old, irradiance } : old))
				: null;
		if (next) typed = writeConfiguration(next, markOf);
		if (settled) keep();
	}
	/** In the dark there is nothing to take a share of. */
	const percent = (share: number) =>
		Number.isFinite(share) ? `${(100 * share).toFixed(0)} %` : '–';
</script>

<svelte:head><title>Mix · {session.batch.name} · Zembo</title></svelte:head>

<h1>A mix, and who limits whom</h1>
{#if pool.length === 0}
	<p class="notice">
		{noPoolWords(evaluateBatch(session.batch, new Date().getFullYear()))}
		<a href={resolve('/bench/batches/[batch]', { batch: session.id })}>To the tests</a>
	</p>
{:else}
	<form
		class="typed"
		onsubmit={(event) => {
			event.preventDefault();
			keep();
		}}
	>
		<label>
			<span>Arrangement: + in series, | in parallel, ( ) where they nest, @ for percent of sun</span
			>
			<input
				name="of"
				class="figure"
				bind:value={typed}
				onchange={keep}
				autocomplete="off"
				spellcheck="false"
				aria-invalid={!read.ok}
			/>
		</label>
		{#if !read.ok}<p class="error" role="alert">{read.problem}</p>{/if}
	</form>
{/if}

{#if mix && answer}
	<div class="work">
		<div class="left">
			<div class="circuit" role="group" aria-label="The circuit">
				<ConfigurationDrawing
					{mix}
					{places}
					{markOf}
					{chosen}
					onchoose={(id) => (chosen = chosen === id ? null : id)}
				/>
			</div>
			{#if part && asked}
				{#key part.id}
					<ConfigurationChosen
						{mix}
						{asked}
						{part}
						place={places.get(part.id)!}
						{pool}
						{library}
						{become}
						onlight={shade}
					/>
				{/key}
			{/if}
			{#if asked}<ConfigurationAdd {asked} {pool} {become} />{/if}
		</div>
		<div class="right">
			<p class="answer">
				<strong class="figure" data-watts>{answer.power.toFixed(0)} W</strong>
				<span class="soft">
					by the curves at {answer.voltage.toFixed(0)} V and {answer.current.toFixed(1)} A, full sun,
					cells of {WARM_SUN.cellTemperature} °C
				</span>
			</p>
			<dl class="facts">
				<dt>Of its modules one by one</dt>
				<dd class="figure">{percent(answer.power / answer.alonePower)}</dd>
				<dt>Of their labels</dt>
				<dd class="figure">{percent(answer.power / answer.labelWatts)}</dd>
				<dt>By the quick rule, lowest current and lowest voltage</dt>
				<dd class="figure">{answer.quick.watts.toFixed(0)} W</dd>
			</dl>
			{#if answer.limit === 'window-floor' || answer.limit === 'below-window'}
				<p class="notice">
					The maximum lies below {form.typed.from} V: it sits at the lower edge of the window, or does
					not start.
				</p>
			{/if}
			{#if answer.parting}<p class="notice">{answer.parting}</p>{/if}
			<div class="curve">
				<Chart
					option={(look) => configurationOption(answer, look)}
					words="Current over voltage of the array configuration, from {answer.shortCurrent.toFixed(
						1
					)} A at short circuit to {answer.openVoltage.toFixed(0)} V open"
				/>
			</div>
			{#if answer.limits.length > 0}
				<h2>Who limits whom</h2>
				<ul class="lines">
					{#each answer.limits as words (words)}<li>{words}</li>{/each}
				</ul>
			{/if}
			<h2>What it hangs on</h2>
			<FigureFields {form} keys={['from', 'fuse']} />
			<label class="tick">
				<input type="checkbox" name="diodes" bind:checked={blocking} onchange={keep} />
				A blocking diode in each string
			</label>
			{#if asked}<ConfigurationProtection {asked} />{/if}
		</div>
	</div>
{/if}

<style>
	h1 {
		font-size: 1.8rem;
		margin: 1rem 0 0.6rem;
	}

	.work :global(h2) {
		font-size: 1.15rem;
		margin: 0.4rem 0;
	}

	.typed label {
		display: grid;
		gap: 0.2rem;
		font-weight: 600;
	}

	.typed input {
		min-height: 48px;
		padding: 0.3rem 0.6rem;
		border: var(--stroke) solid var(--rule);
		background: var(--sheet);
		font-size: 1.2rem;
	}

	.error {
		color: var(--off);
		font-weight: 600;
	}

	.work {
		display: grid;
		grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
		margin-top: 1rem;
		align-items: start;
	}

	.left,
	.right {
		display: grid;
		gap: 0.8rem;
		min-width: 0;
	}

	.circuit {
		overflow-x: auto;
		padding: 6px;
		display: flex;
	}

	.circuit > :global(*) {
		flex: none;
	}

	.answer strong {
		font-size: 2rem;
		margin-inline-end: 0.6rem;
	}

	.curve {
		height: 17rem;
	}

	@media (max-width: 900px) {
		.work {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
