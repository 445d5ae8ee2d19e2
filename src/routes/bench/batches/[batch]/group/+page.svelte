<script lang="ts">
	import { resolve } from '$app/paths';
	import { SvelteSet } from 'svelte/reactivity';
	import { onDestroy, untrack } from 'svelte';
	import {
		evaluateBatch,
		type Grouping,
		type GroupingAsk,
		type GroupingProgress,
		modulesToBuy,
		noPoolWords,
		type Target,
		WARM_SUN,
		wordsToBuy
	} from '$core/bench';
	import FigureFields from '$lib/bench/FigureFields.svelte';
	import { FigureForm, given } from '$lib/bench/figure-form.svelte';
	import GroupingResult from '$lib/bench/GroupingResult.svelte';
	import PoolChoice from '$lib/bench/PoolChoice.svelte';
	import { poolOf } from '$lib/bench/pool';
	import Choice from '$lib/ui/Choice.svelte';
	import { useBatch } from '$lib/session/batch-session.svelte';
	import { groupInWorker, type RunningSearch } from '$lib/workers/group';

	const session = useBatch();
	const pool = $derived(poolOf(session.batch, new Date().getFullYear()));
	/** Left out until somebody takes them in: what is out or dangerous. */
	const leftOut = new SvelteSet<string>(
		untrack(() =>
			pool
				.filter(
					(one) =>
						one.dangerous ||
						one.grade === 'out' ||
						// Where some were tested, those that were not are taken in on request.
						(one.from === 'nameplate' && pool.some(({ from }) => from !== 'nameplate'))
				)
				.map(({ module }) => module.id)
		)
	);
	const taken = $derived(
		pool.filter(({ module }) => !leftOut.has(module.id)).map(({ module }) => module)
	);

	let layout = $state<'free' | 'fixed'>('free');
	let trackers = $state<Target['trackers']>('one');
	let profile = $state<Target['profile']>('IEC');
	let blocking = $state(false);
	const voltage = { min: 1, max: 3000, unit: 'V', optional: true } as const;
	const form = new FigureForm({
		strings: { min: 1, max: 100, unit: '', whole: true, words: 'Strings', first: '3' },
		modules: { min: 1, max: 60, unit: '', whole: true, words: 'Modules in each', first: '2' },
		maxVolts: { ...voltage, words: 'Highest DC', first: '150' },
		windowLow: { ...voltage, words: 'Tracks from', first: '60' },
		windowHigh: { ...voltage, words: 'Tracks to', first: '' },
		inputAmps: {
			min: 0.5,
			max: 5000,
			unit: 'A',
			words: 'Highest input current',
			first: '45',
			optional: true
		},
		fuse: { min: 1, max: 100, unit: 'A', words: 'String fuses', first: '12', optional: true },
		lowest: {
			min: -60,
			max: 40,
			unit: '°C',
			words: 'Lowest temperature',
			first: '-22',
			optional: true
		}
	});
	let running = $state.raw<{ readonly search: RunningSearch; readonly ask: GroupingAsk } | null>(
		null
	);
	let progress = $state.raw<GroupingProgress | null>(null);
	let found = $state.raw<{ readonly grouping: Grouping; readonly ask: GroupingAsk } | null>(null);
	let problem = $state('');
	onDestroy(() => running?.search.stop());

	/** What is asked; null where the form says something that cannot be. */
	function read(): GroupingAsk | null {
		const f = form.figures;
		if (!f) {
			problem = 'A figure above cannot be read: mend it where it is marked.';
			return null;
		}
		const target: Target = {
			maxVolts: given(f.maxVolts),
			windowLow: given(f.windowLow),
			windowHigh: given(f.windowHigh),
			inputAmps: given(f.inputAmps),
			fuse: given(f.fuse),
			lowest: given(f.lowest),
			trackers,
			profile,
			blocking
		};
		const { windowLow, windowHigh } = target;
		if (windowLow !== null && windowHigh !== null && windowHigh <= windowLow) {
			problem = 'The window must end above where it begins: “Tracks to” above “Tracks from”.';
			return null;
		}
		const wanted =
			layout === 'fixed'
				? ({ kind: 'fixed', strings: f.strings, modules: f.modules } as const)
				: ({ kind: 'free' } as const);
		const least = wanted.kind === 'fixed' ? wanted.strings * wanted.modules : 1;
		if (taken.length < least) {
			problem = `${least} ${least === 1 ? 'module is' : 'modules are'} wanted, ${taken.length} are taken. Take more in below, want fewer, or buy: ${wordsToBuy(modulesToBuy(taken, least))}`;
			return null;
		}
		return {
			modules: $state.snapshot(taken) as GroupingAsk['modules'],
			wanted,
			target,
			sky: WARM_SUN
		};
	}

	async function find(): Promise<void> {
		problem = '';
		const ask = read();
		if (!ask) return;
		progress = null;
		const search = groupInWorker(ask, (now) => (progress = now));
		running = { search, ask };
		try {
			const grouping = await search.found;
			if (grouping) found = { grouping, ask };
			else problem = 'No layout keeps these limits: look at the window and the highest DC.';
		} catch (cause) {
			problem = `The search ended by itself (${String(cause)}). Nothing is lost; begin it again.`;
		}
		running = null;
	}
	/** Ends the search with the best so far. */
	function stop(): void {
		if (!running) return;
		const { search, ask } = running;
		search.stop();
		if (progress?.best) found = { grouping: progress.best, ask };
		running = null;
	}
</script>

<svelte:head><title>Group · {session.batch.name} · Zembo</title></svelte:head>

<h1>Strings out of the batch</h1>
{#if pool.length === 0}
	<p class="notice">
		{noPoolWords(evaluateBatch(session.batch, new Date().getFullYear()))}
		<a href={resolve('/bench/batches/[batch]', { batch: session.id })}>To the tests</a>
	</p>
{:else}
	<div class="work">
		<form
			class="panel ask"
			onsubmit={(event) => {
				event.preventDefault();
				void find();
			}}
		>
			<h2>What they feed</h2>
			<div class="choices">
				<Choice
					label="Layout"
					name="layout"
					bind:value={layout}
					options={[
						{ value: 'free', words: 'most power' },
						{ value: 'fixed', words: 'strings by modules' }
					]}
				/>
				<Choice
					label="Trackers"
					name="trackers"
					bind:value={trackers}
					options={[
						{ value: 'one', words: 'one for all' },
						{ value: 'each', words: 'one a string' }
					]}
				/>
				<Choice
					label="Rules"
					name="profile"
					bind:value={profile}
					options={[
						{ value: 'IEC', words: 'IEC' },
						{ value: 'US', words: 'US' }
					]}
				/>
			</div>
			{#if layout === 'fixed'}<FigureFields {form} keys={['strings', 'modules']} />{/if}
			<FigureFields
				{form}
				keys={['maxVolts', 'windowLow', 'windowHigh', 'inputAmps', 'fuse', 'lowest']}
			/>
			<label class="tick">
				<input type="checkbox" name="blocking" bind:checked={blocking} />
				A blocking diode in each string
			</label>
			<p class="soft">
				Left empty, a limit is not looked at. Full sun, cells of {WARM_SUN.cellTemperature} °C.
			</p>
			<PoolChoice {pool} {leftOut} />
			{#if running}
				<div class="running" role="status">
					<progress max="1" value={progress?.done ?? 0}></progress>
					<span class="figure">{(progress?.power ?? 0).toFixed(0)} W so far</span>
					<button type="button" class="act-plain" onclick={stop}>Stop, take the best so far</button>
				</div>
			{:else}
				<button class="act">Find the grouping</button>
			{/if}
			{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
		</form>
		<div class="result">
			{#if found}
				<GroupingResult {...found} batch={session.id} />
			{:else}
				<p class="soft">
					Modules of similar current go into one string, strings of similar voltage in parallel.
					Enter what they feed; Zembo then searches for the most power.
				</p>
			{/if}
		</div>
	</div>
{/if}

<style>
	h1 {
		font-size: 1.8rem;
		margin: 1rem 0;
	}

	h2 {
		font-size: 1.2rem;
	}

	.work {
		display: grid;
		grid-template-columns: minmax(19rem, 26rem) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
		align-items: start;
	}

	.ask,
	.result {
		display: grid;
		gap: 0.8rem;
		min-width: 0;
	}

	.ask {
		padding: 1rem;
	}

	.choices {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
		gap: 0.6rem;
	}

	.running {
		display: grid;
		gap: 0.5rem;
	}

	progress {
		width: 100%;
		height: 12px;
		accent-color: var(--accent);
	}

	@media (max-width: 900px) {
		.work {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
