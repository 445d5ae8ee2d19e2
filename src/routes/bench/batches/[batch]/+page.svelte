<script lang="ts">
	import { untrack } from 'svelte';
	import { v7 as uuid } from 'uuid';
	import { evaluateBatch, histogramOf, ranked, unjudgedWords } from '$core/bench';
	import { BATCH_COLUMNS, importTests, type ReadLine } from '$core/document';
	import ChalkStack from '$lib/bench/ChalkStack.svelte';
	import { markOf } from '$lib/bench/grade-words';
	import GradeMark from '$lib/bench/GradeMark.svelte';
	import ModuleSheet from '$lib/bench/ModuleSheet.svelte';
	import BatchConditions from '$lib/bench/BatchConditions.svelte';
	import ShareScale from '$lib/bench/ShareScale.svelte';
	import MeasurementEntry from '$lib/bench/MeasurementEntry.svelte';
	import { markAfter } from '$lib/bench/mark-after';
	import CsvPreview from '$lib/ui/CsvPreview.svelte';
	import { useBatch } from '$lib/session/batch-session.svelte';
	import { count } from '$lib/text/format';

	const session = useBatch();
	const year = new Date().getFullYear();
	const batch = $derived(session.batch);
	const results = $derived(evaluateBatch(batch, year));
	let order = $state<'tested' | 'best'>('tested');
	let chosen = $state<string | null>(null);
	const shown = $derived(order === 'best' ? ranked(results) : results);
	const open = $derived(results.find(({ module }) => module.mark === chosen) ?? null);
	const bins = $derived(histogramOf(results));
	const worth = $derived(results.reduce((sum, { power }) => sum + (power ?? 0), 0));
	const usable = $derived(
		results.filter(({ graded }) => graded.grade === 'good' || graded.grade === 'fair').length
	);
	/** The first that nobody measured, else the next number. */
	let mark = $state(
		untrack(() => {
			const bare = session.batch.modules.find(({ takes }) => takes.length === 0);
			return bare?.mark ?? markAfter(session.batch.modules.at(-1)?.mark ?? '0');
		})
	);
	let last = $state<string | null>(null);
	const lastResult = $derived(results.find(({ module }) => module.mark === last) ?? null);
	const unjudged = $derived(lastResult && unjudgedWords(lastResult));
	const percent = (share: number) => (100 * share).toFixed(0);

	function consider(lines: readonly ReadLine<typeof BATCH_COLUMNS>[]) {
		const { modules, added, takes, refused } = importTests(
			batch,
			lines,
			new Date().toISOString(),
			uuid
		);
		return {
			refused,
			words: added + takes > 0 ? `${count(added, 'module')} and ${count(takes, 'take')}` : '',
			store: async () => {
				session.change((now) => ({ ...now, modules }));
				await session.store();
				return session.problem === '';
			}
		};
	}
</script>

<svelte:head><title>{batch.name} · Bench · Zembo</title></svelte:head>

<h1>
	{count(results.length, 'module')}
	{#if results.length > 0}<small class="soft"
			>{usable} good or fair, about {(worth / 1000).toFixed(1)} kW as they are</small
		>{/if}
</h1>
<div class="work">
	<div class="left">
		<MeasurementEntry bind:mark onstored={(stored) => (last = stored === '' ? null : stored)} />
		{#if lastResult}
			<p class="just" role="status">
				<strong>Module {lastResult.module.mark}</strong>
				<GradeMark {...markOf(lastResult.graded)} />
				<span class="figure"
					>{lastResult.share === null ? '' : `${percent(lastResult.share)} % of its label`}</span
				>
				{#if lastResult.odd[0]}<span>{lastResult.odd[0].words}</span>{/if}
				{#if unjudged}<span>{unjudged}</span>{/if}
			</p>
		{/if}
		<BatchConditions />
	</div>
	<div class="right">
		{#if open}
			{#key open.module.id}<ModuleSheet result={open} onclose={() => (chosen = null)} />{/key}
		{/if}
		{#if results.length === 0}
			<p class="notice">
				Nothing measured yet. Chalk a number on the first module, enter its voltage and current, and
				the next is asked for. A list of tests as CSV comes in below.
			</p>
		{:else}
			<ChalkStack {bins} {chosen} onchoose={(one) => (chosen = one)} />
			<div class="head">
				<h2>The batch</h2>
				<label>
					<span class="sr-only">Order</span>
					<select class="bare" bind:value={order}>
						<option value="tested">in the order of testing</option>
						<option value="best">best first</option>
					</select>
				</label>
			</div>
			<ol class="batch">
				{#each shown as result (result.module.id)}
					{@const { module, share, uncertainty, graded, power, odd } = result}
					<li data-module={module.mark}>
						<button
							type="button"
							class="row"
							aria-expanded={chosen === module.mark}
							onclick={() => (chosen = chosen === module.mark ? null : module.mark)}
						>
							<span class="chalk figure">{module.mark}</span>
							<span class="model"
								>{module.model || (result.estimate ? 'no label, estimated' : 'no label')}</span
							>
							<ShareScale
								{share}
								{uncertainty}
								limits={batch.profile.by === 'limits' ? batch.profile.limits : null}
							/>
							<span class="figure share">{share === null ? '\u2013' : `${percent(share)} %`}</span>
							<span class="figure watts">{power === null ? '\u2013' : `${power.toFixed(0)} W`}</span
							>
							<GradeMark {...markOf(graded)} />
							{#if odd.length > 0}<span class="odd">{odd[0]!.words}</span>{/if}
						</button>
					</li>
				{/each}
			</ol>
		{/if}
		<CsvPreview
			title="Tests as CSV"
			help="One measurement a line: module, nameplate power, voltage, current or power, time. Several lines of one module are repeat measurements. Figures may carry their unit: 850 mA."
			columns={BATCH_COLUMNS}
			{consider}
		/>
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
		margin: 1rem 0;
	}

	small {
		font-size: 1rem;
		font-weight: 400;
	}

	.work {
		display: grid;
		grid-template-columns: minmax(20rem, 26rem) minmax(0, 1fr);
		gap: 1.5rem 2.5rem;
		align-items: start;
	}

	.left,
	.right {
		display: grid;
		gap: 1rem;
		min-width: 0;
	}

	.just {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 0.8rem;
		align-items: center;
		padding: 0.6rem 0;
		border-block: 1px solid var(--line);
	}

	.head {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 0.5rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	.batch li {
		border-top: 1px solid var(--line);
	}

	.row {
		display: grid;
		grid-template-columns: 3rem minmax(5rem, 9rem) minmax(6rem, 1fr) 3.6rem 4rem 8.2rem;
		gap: 0.1rem 0.8rem;
		align-items: center;
		width: 100%;
		min-height: 48px;
		padding: 0.2rem 0;
		text-align: start;
	}

	.row:hover {
		background: var(--well);
	}

	.chalk {
		justify-self: start;
		min-width: 2.2rem;
		padding: 0 0.3rem;
		border: var(--stroke) solid var(--rule);
		background: var(--sheet);
		text-align: center;
		font-weight: 700;
	}

	.model {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		color: var(--soft);
	}

	.share,
	.watts {
		text-align: end;
		font-weight: 600;
	}

	.odd {
		grid-column: 2 / -1;
		color: var(--soft);
		font-size: 0.95rem;
	}

	@media (max-width: 960px) {
		.work {
			grid-template-columns: minmax(0, 1fr);
		}
	}

	@media (max-width: 560px) {
		.row {
			grid-template-columns: 2.6rem 4rem minmax(0, 1fr);
		}

		/* The figure and the grade say it; a scale has no room beside them. */
		.row > :global(.scale) {
			display: none;
		}

		.model {
			display: none;
		}

		.watts {
			display: none;
		}
	}
</style>
