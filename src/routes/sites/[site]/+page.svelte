<script lang="ts">
	import ArrowRight from '@lucide/svelte/icons/arrow-right';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { isAcBranch, labelPower } from '$core/record';
	import { findingsOf } from '$lib/text/findings';
	import { PURPOSES } from '$core/visit';
	import ReportLink from '$lib/report/ReportLink.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { PURPOSE_WORDS } from '$lib/text/purposes';
	import FormErrors from '$lib/ui/FormErrors.svelte';
	import { keptForm } from '$lib/ui/kept-form';
	import { useRecord } from '$lib/session/record-session.svelte';
	import PageHead from '$lib/ui/PageHead.svelte';
	import PathView from '$lib/ui/PathView.svelte';
	import { day, dayAndTime } from '$lib/text/when';
	import { count, kilowatts } from '$lib/text/format';

	let { data } = $props();
	/** A benchmark day is announced so many days before it. */
	const BENCHMARK_SOON = 30;
	// svelte-ignore state_referenced_locally
	const { form, errors, enhance, submitting, message } = keptForm(data.form);
	const imported = $derived(page.url.searchParams.get('import'));
	const session = useRecord();
	const record = $derived(session.record);
	const recorded = $derived(record.strings.length > 0);
	const modules = $derived(record.strings.reduce((sum, string) => sum + string.moduleCount, 0));
	const places = $derived(
		new Map((data.last?.assessment.places ?? []).map((place) => [place.key, place]))
	);
	const findings = $derived(data.last ? findingsOf(data.last.assessment, record) : []);
	/** Branches of AC have no volts and amps of a string. */
	const measured = $derived(data.last !== null && !record.strings.every(isAcBranch));
	const suspects = $derived(
		new Map(
			findings.flatMap(({ string, causes }) =>
				string && causes[0] && causes[0].probability > 0.5
					? [[string.id, causes[0].members.map((member) => member.code)] as const]
					: []
			)
		)
	);
</script>

<svelte:head><title>{data.site.name} · Zembo</title></svelte:head>

<div class="page">
	<PageHead
		facts={recorded
			? [
					{ words: 'rated power', figure: kilowatts(labelPower(record)) },
					{ words: 'modules', figure: modules },
					{ words: 'strings', figure: record.strings.length },
					{ words: 'in service since', figure: record.inServiceSince ?? 'unknown' }
				]
			: []}
	>
		<h1>{data.site.name}</h1>
		<p class="soft">{data.site.place}</p>
	</PageHead>

	{#if imported}
		<p class="notice" role="status">
			{imported === 'done'
				? 'Imported: its record, its visits and their photographs are here.'
				: 'All of this archive was here already; nothing was changed.'}
		</p>
	{/if}

	{#if !recorded}
		<div class="panel empty">
			<h2>The array is not recorded yet</h2>
			<p>
				A look around first: rows, modules, one label, what hangs behind. Then every reading has
				something to be compared with.
			</p>
			<p>
				<a class="act" href={resolve('/sites/[site]/survey', { site: data.site.id })}
					>Take over the array</a
				>
			</p>
		</div>
	{:else}
		<form method="POST" action="?/visit" use:enhance class="panel start" aria-label="Start a visit">
			<Field
				label="Who measures"
				name="by"
				bind:value={$form.by}
				errors={$errors.by}
				autocomplete="name"
			/>
			<Choice
				label="Why you come"
				name="purpose"
				bind:value={$form.purpose as string}
				options={PURPOSES.map((value) => ({ value, words: PURPOSE_WORDS[value] }))}
			/>
			<Field
				label="Reason, if there is one"
				name="reason"
				bind:value={$form.reason}
				errors={$errors.reason}
			/>
			<button class="act" disabled={$submitting}>
				Start a visit<ArrowRight size={20} aria-hidden="true" />
			</button>
			<FormErrors words={$message} />
		</form>
		<section>
			<div class="line">
				<h2>
					{#if data.last}As of {day(data.last.startedAt, data.site.timeZone)}{:else}The array{/if}
				</h2>
				<a href={resolve('/sites/[site]/array-record', { site: data.site.id })}>Change the record</a
				>
			</div>
			<PathView
				{record}
				{places}
				{suspects}
				shown={measured ? ['open-circuit-voltage', 'operating-current'] : []}
				room={measured ? 112 : 420}
			/>
			{#if data.last && findings.length > 0}
				<ul class="findings">
					{#each findings as finding (finding.key)}
						<li><span class="figure">{finding.string?.label ?? 'all'}</span> {finding.headline}</li>
					{/each}
				</ul>
				<p>
					<a href={resolve('/visits/[visit]/diagnosis', { visit: data.last.id })}
						>Why, and what to measure next</a
					>
				</p>
			{/if}
		</section>
	{/if}

	{#if recorded && data.benchmark && data.benchmark.inDays <= BENCHMARK_SOON}
		<p class="notice reminder" data-benchmark>
			{data.benchmark.inDays === 0
				? 'Today is a benchmark day'
				: `Benchmark day in ${count(data.benchmark.inDays, 'day')}`}: {data.benchmark.words},
			{day(data.benchmark.date, 'UTC')}. The same measurement on the same day of each year shows
			ageing.
			<a href={resolve('/sites/[site]/monitoring/benchmark', { site: data.site.id })}
				>What to measure</a
			>
		</p>
	{/if}

	<section class="visits">
		<div class="line">
			<h2>Visits</h2>
			<p hidden={!recorded}>
				<ReportLink href={resolve('/sites/[site]/report.pdf', { site: data.site.id })}
					>Report over the years, PDF</ReportLink
				>
				<a
					href={resolve('/sites/[site]/site.zip', { site: data.site.id })}
					download
					data-sveltekit-reload>All of the site as ZIP</a
				>
			</p>
		</div>
		{#if data.visits.length === 0}
			<p class="soft">None yet.</p>
		{:else}
			<ul>
				{#each data.visits as visit (visit.id)}
					<li>
						<a href={resolve('/visits/[visit]/measurements', { visit: visit.id })}>
							<strong>{dayAndTime(visit.startedAt, data.site.timeZone)}</strong>
							<span>{visit.reason || 'no reason given'}</span>
							<span class="soft">{visit.by}, {count(visit.readings, 'reading')}</span>
						</a>
					</li>
				{/each}
			</ul>
		{/if}
	</section>
</div>

<style>
	h1 {
		font-size: 2rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	.line {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1.4rem;
		justify-content: space-between;
		align-items: baseline;
		margin-bottom: 0.4rem;
	}

	.line p:not([hidden]) {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1.4rem;
	}

	.line a {
		padding: 0.6rem 0;
	}

	.empty {
		padding: 1.5rem;
		display: grid;
		gap: 0.7rem;
	}

	.findings {
		margin: 1rem 0 0.3rem;
	}

	.findings li {
		padding: 0.2rem 0;
		font-weight: 550;
	}

	.findings .figure {
		display: inline-block;
		min-width: 3ch;
		margin-inline-end: 0.5rem;
		font-weight: 700;
		color: var(--off);
	}

	.visits,
	.reminder {
		margin-top: 2rem;
	}

	.start {
		display: grid;
		grid-template-columns: minmax(0, 14rem) minmax(0, 15rem) minmax(0, 1fr) auto;
		gap: 0.8rem 1.25rem;
		align-items: start;
		padding: 0.9rem 1.25rem 1.1rem;
		margin-bottom: 1.5rem;
	}

	/* Beside the fields, not beside their labels. */
	.start button {
		margin-top: 1.55rem;
	}

	.visits li a {
		display: grid;
		padding: 0.6rem 0.4rem;
		border-bottom: 1px solid var(--line);
		color: var(--ink);
		text-decoration: none;
	}

	.visits li a:hover {
		background: var(--lit);
	}

	@media (max-width: 760px) {
		.start {
			grid-template-columns: minmax(0, 1fr);
		}

		.start button {
			margin-top: 0;
		}
	}
</style>
