<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { page } from '$app/state';
	import { CURVE_COLUMNS, pointsOfLines, pointsOfText, READING_LIMITS } from '$core/document';
	import { compareCurve } from '$core/expectation';
	import Chart from '$lib/charts/Chart.svelte';
	import { curveOption } from '$lib/charts/curve-option';
	import CsvPreview from '$lib/ui/CsvPreview.svelte';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import { dayAndTime } from '$lib/text/when';
	import { count } from '$lib/text/format';

	const session = useVisit();
	const record = $derived(session.document.record);
	const visit = $derived(session.document.visit);
	// svelte-ignore state_referenced_locally
	let stringId = $state(page.url.searchParams.get('string') ?? record.strings[0]?.id ?? '');
	let typed = $state('');
	let problem = $state('');

	/** Curves that stand: none that another one replaced. */
	const curves = $derived.by(() => {
		const replaced = new Set(visit.curves.map(({ supersedes }) => supersedes));
		return visit.curves.filter((one) => one.stringId === stringId && !replaced.has(one.id));
	});
	const curve = $derived(curves.at(-1) ?? null);
	const comparison = $derived(curve && compareCurve(record, session.effective, curve));
	const label = $derived(record.strings.find(({ id }) => id === stringId)?.label ?? '');

	async function add(points: [number, number][], origin: string): Promise<boolean> {
		const { least } = READING_LIMITS.curvePoints;
		if (points.length < least) {
			problem = `A curve needs ${least} points or more; these are ${points.length}.`;
			return false;
		}
		const words = await session.addCurve({
			id: uuid(),
			stringId,
			points,
			at: null,
			origin,
			takenAt: new Date(session.now).toISOString(),
			by: session.by.trim() || visit.by,
			supersedes: curve?.id ?? null
		});
		problem = words ?? '';
		return words === null;
	}
	async function addTyped(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		const points = pointsOfText(typed);
		if (!points) {
			problem = 'Type each point on a line of its own: volts, a blank, amps. For example 410 8,12.';
			return;
		}
		if (await add(points, 'typed')) typed = '';
	}
</script>

<svelte:head><title>Curves · {session.document.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>Measured curves</h1>
	<p class="soft lead">
		A curve from a tracer, or a few typed points, laid over the expected one. Points of other light
		are carried to the visit’s by IEC 60891, procedure 2.
	</p>
	<div class="strings" role="group" aria-label="String">
		{#each record.strings as { id, label: mark } (id)}
			<button
				type="button"
				class="figure"
				aria-pressed={stringId === id}
				onclick={() => (stringId = id)}>{mark}</button
			>
		{/each}
	</div>
	{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
	{#if curve && comparison}
		<section class="panel drawn">
			<h2>
				{label}
				<span class="soft"
					>{count(curve.points.length, 'point')}, {curve.origin}, {dayAndTime(
						curve.takenAt,
						session.document.site.timeZone
					)}, {curve.by}</span
				>
			</h2>
			<div class="chart">
				<Chart
					option={(look) => curveOption(comparison, look)}
					words="Measured curve of {label} over the expected one"
				/>
			</div>
			<ul>
				{#each comparison.words as words (words)}<li>{words}</li>{/each}
			</ul>
		</section>
	{:else if curve}
		<p class="notice">
			Conditions or the module type are missing, so there is no expected curve yet.
		</p>
	{:else}
		<p class="soft">No curve of {label} yet.</p>
	{/if}
	<div class="ways">
		{#key stringId}
			<CsvPreview
				title="From a file"
				help="CSV with a heading; one column of volts, one of amps."
				columns={CURVE_COLUMNS}
				consider={(lines) => {
					const points = pointsOfLines(lines);
					return {
						refused: [],
						words: points.length > 0 ? `${count(points.length, 'point')} of ${label}` : '',
						store: () => add(points, 'file')
					};
				}}
			/>
		{/key}
		<form class="panel" onsubmit={addTyped}>
			<h2>Typed</h2>
			<label>
				Volts and amps, one point a line
				<textarea name="points" rows="6" class="figure" bind:value={typed} placeholder="0 8,9"
				></textarea>
			</label>
			<button class="act-plain">Lay it over</button>
		</form>
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	h2 {
		font-size: 1.15rem;
	}

	h2 .soft {
		font-size: 0.92rem;
		font-weight: 400;
	}

	.strings {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		margin: 0.8rem 0;
	}

	.strings button {
		min-width: 56px;
		min-height: 46px;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		font-weight: 600;
	}

	.strings [aria-pressed='true'] {
		background: var(--lit);
		outline: 3px solid var(--accent);
		outline-offset: -1px;
	}

	.drawn,
	form {
		padding: 1rem 1.2rem;
	}

	.chart {
		height: 21rem;
	}

	.ways {
		display: grid;
		grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
		gap: 1.2rem;
		margin-top: 1.2rem;
		align-items: start;
	}

	form,
	label {
		display: grid;
		gap: 0.6rem;
	}

	textarea {
		width: 100%;
		padding: 0.5rem 0.7rem;
		background: var(--paper);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		color: var(--ink);
	}

	@media (max-width: 900px) {
		.ways {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
