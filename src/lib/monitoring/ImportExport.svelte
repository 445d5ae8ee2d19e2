<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { MONITORED_QUANTITY_FACTS } from '$core/monitoring';
	import type { ArrayRecord } from '$core/record';
	import { count } from '$lib/text/format';
	import { clockIn } from '$lib/time/zone';
	import { clockWords } from './clock-words';
	import ExportColumns from './ExportColumns.svelte';
	import ExportForm from './ExportForm.svelte';
	import { ImportSession } from '../session/import-session.svelte';

	interface Props {
		siteId: string;
		timeZone: string;
		record: ArrayRecord;
	}
	let { siteId, timeZone, record }: Props = $props();
	// svelte-ignore state_referenced_locally
	const session = new ImportSession(siteId, timeZone);
	const preview = $derived(session.preview(record));
	const clock = $derived(clockIn(timeZone));
	const REFUSED_SHOWN = 20;

	async function choose(event: Event): Promise<void> {
		const input = event.currentTarget as HTMLInputElement;
		const file = input.files?.[0];
		input.value = '';
		if (file) await session.choose(file);
	}
	async function run(): Promise<void> {
		if (await session.run()) await invalidateAll();
	}
	const megabytes = (bytes: number) => (bytes / 1e6).toFixed(1);
</script>

<section class="panel">
	<h2>Take an export in</h2>
	<p class="soft">
		CSV from any monitoring: one line for each time and unit, or a column for each unit; power,
		energy, voltage and current. Nothing is saved before you have seen how it is read.
	</p>
	{#if !session.running}
		<p>
			<label class="act-plain">
				Choose the file
				<input type="file" class="sr-only" name="export" onchange={choose} />
			</label>
		</p>
	{/if}
	{#if session.problem}
		<p class="notice" data-kind="error" role="alert">{session.problem}</p>
	{/if}
	{#if session.done}
		<p class="notice" data-kind="done" role="status">
			{session.done.samples.toLocaleString('en-GB')} samples of {session.done.file} are in.
			<a href={resolve('/sites/[site]/monitoring', { site: siteId })}>See the results</a>
		</p>
	{/if}
	{#if session.head && session.layout}
		{@const { file } = session.head}
		{#if session.running}
			<div class="running" role="status">
				<p>
					{megabytes(session.running.bytes)} of {megabytes(file.size)} MB,
					<span class="figure">{session.running.samples.toLocaleString('en-GB')}</span> samples
				</p>
				<progress max={file.size} value={session.running.bytes} aria-label="Taking the export in"
				></progress>
				<p>
					<button class="act-plain" onclick={() => session.stop()}>Stop, and keep nothing</button>
				</p>
			</div>
		{:else}
			<h3>{file.name}, {megabytes(file.size)} MB</h3>
			{#if preview}
				<p class="sum">
					<strong>{count(preview.names.length, 'unit')}</strong>,
					{preview.matched === preview.names.length
						? 'each found in the record'
						: `${preview.matched} found in the record`}. The first lines give
					{count(preview.count, 'sample')};
					{preview.refused.length === 0
						? 'no line is refused'
						: `${count(preview.refused.length, 'line')} refused`}.
				</p>
				{#each [...session.head.guess.questions, ...preview.questions.slice(0, 5)] as uncertainty (uncertainty)}
					<p class="notice">{uncertainty}</p>
				{/each}
				<div class="samples">
					<table>
						<thead><tr><th>When</th><th>Unit</th><th>What</th><th>Is read as</th></tr></thead>
						<tbody>
							{#each preview.samples as { unit, watched, at, value } (`${unit} ${watched} ${at}`)}
								<tr>
									<td>{clockWords(clock(at))}</td>
									<td class="figure">{unit || 'the whole site'}</td>
									<td>{MONITORED_QUANTITY_FACTS[watched].words}</td>
									<td class="figure"
										>{Number(value.toPrecision(6))} {MONITORED_QUANTITY_FACTS[watched].unit}</td
									>
								</tr>
							{/each}
						</tbody>
					</table>
				</div>
				{#if preview.refused.length > 0}
					<details>
						<summary>Refused lines</summary>
						<ul class="lines">
							{#each preview.refused.slice(0, REFUSED_SHOWN) as { line, why } (line)}
								<li><span class="figure">{line}</span> {why}</li>
							{/each}
						</ul>
					</details>
				{/if}
			{:else if session.layoutProblem}
				<p class="notice" data-kind="error" role="alert">{session.layoutProblem}</p>
			{/if}
			<p class="acts">
				<button class="act" disabled={!preview || preview.count === 0} onclick={run}
					>Take it in</button
				>
				<button class="act-plain" onclick={() => session.leave()}>Leave it</button>
			</p>
			<h3>How it is read</h3>
			<ExportForm {session} />
			<h3>What each column holds</h3>
			<ExportColumns {session} />
		{/if}
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 0.8rem;
		padding: 1.1rem 1.4rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	h3 {
		font-size: 1.05rem;
		font-weight: 650;
	}

	.running {
		display: grid;
		gap: 0.6rem;
	}

	progress {
		width: 100%;
		height: 14px;
		accent-color: var(--accent);
	}

	.samples {
		overflow-x: auto;
	}

	th,
	td {
		text-align: start;
		padding: 0.25rem 1.4rem 0.25rem 0;
		border-top: 1px solid var(--line);
		white-space: nowrap;
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
	}
</style>
