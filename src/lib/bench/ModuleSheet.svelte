<script lang="ts">
	import { untrack } from 'svelte';
	import { type BatchModule, LOOK_WORDS, LOOKS, type ModuleResult } from '$core/bench';
	import { BATCH_LIMITS, readFigure } from '$core/document';
	import Field from '$lib/ui/Field.svelte';
	import { useBatch } from '$lib/session/batch-session.svelte';
	import { markOf } from './grade-words';
	import GradeMark from './GradeMark.svelte';
	import LabelForm from './LabelForm.svelte';

	interface Props {
		result: ModuleResult;
		onclose: () => void;
	}
	let { result, onclose }: Props = $props();
	const session = useBatch();
	const module = $derived(result.module);
	const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

	function change(part: Partial<BatchModule>): void {
		const { id } = module;
		session.change((batch) => ({
			...batch,
			modules: batch.modules.map((one) => (one.id === id ? { ...one, ...part } : one))
		}));
	}
	/** Open at first where the label is wanted. */
	let details = $state(untrack(() => result.nameplate === null));
	let yearError = $state('');
	let sizeError = $state('');
	function setYear(text: string): void {
		if (text.trim() === '') {
			yearError = '';
			return change({ year: null });
		}
		const read = readFigure(text, BATCH_LIMITS.year);
		yearError = read.ok ? '' : read.problem;
		if (read.ok) change({ year: read.value });
	}
	function setSize(text: string): void {
		const parts = text.split(/[x×*\s]+/i).filter(Boolean);
		if (parts.length === 0) {
			sizeError = '';
			return change({ size: null });
		}
		const [length, width] = parts.map((part) => readFigure(part, BATCH_LIMITS.millimetres));
		if (parts.length !== 2 || !length?.ok || !width?.ok) {
			sizeError = 'Type length x width in millimetres: 1640 x 992.';
			return;
		}
		sizeError = '';
		change({ size: { length: length.value, width: width.value } });
	}
	function remove(): void {
		const { id } = module;
		session.change((batch) => ({
			...batch,
			modules: batch.modules.filter((one) => one.id !== id)
		}));
		onclose();
	}
	const time = (at: string) =>
		new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(new Date(at));
</script>

<section class="panel" aria-label="Module {module.mark}">
	<header>
		<h2>Module {module.mark}</h2>
		<GradeMark {...markOf(result.graded)} />
		<button type="button" class="act-plain" onclick={onclose}>Close</button>
	</header>
	<p>{result.graded.words}</p>
	{#each result.odd as { code, words } (code)}
		<p class="notice" data-kind={code === 'danger' ? 'error' : undefined}>{words}</p>
	{/each}
	<dl class="facts">
		{#if result.share !== null}
			<dt>Of its nameplate</dt>
			<dd class="figure">
				{result.graded.atMost ? 'at most ' : ''}{percent(result.share)} ± {percent(
					2 * result.uncertainty
				)}
			</dd>
		{/if}
		{#if result.againstControl !== null}
			<dt>Against the reference module</dt>
			<dd class="figure">{percent(result.againstControl)}</dd>
		{/if}
		{#if result.asRead !== null}
			<dt>As read, uncorrected</dt>
			<dd class="figure">{percent(result.asRead)}</dd>
		{/if}
		{#if result.power !== null}
			<dt>Power now, at standard conditions</dt>
			<dd class="figure">{result.graded.atMost ? 'at most ' : ''}{result.power.toFixed(0)} W</dd>
		{/if}
		{#if result.fillFactor !== null}
			<dt>Fill factor, at the irradiance of the measurement</dt>
			<dd class="figure">{percent(result.fillFactor)}</dd>
		{/if}
		{#if result.shares.voltage !== null}
			<dt>Voltage, current of what its nameplate gives here</dt>
			<dd class="figure">
				{percent(result.shares.voltage)}, {result.shares.current === null
					? '\u2013'
					: percent(result.shares.current)}
			</dd>
		{/if}
	</dl>
	<p class="soft">{result.how}</p>
	{#if result.estimate}
		<p class="notice">An estimate, no label: {result.estimate.words}</p>
	{:else if result.filled.length > 0}
		<p class="soft">Not on the label, filled in as usual: {result.filled.join(', ')}.</p>
	{/if}

	<h3>Takes</h3>
	<ul class="takes">
		{#each module.takes as { id, at, volts: voltage, amps: current, watts: power, load } (id)}
			<li>
				<span class="soft">{time(at)}</span>
				<span class="figure">
					{[
						voltage === null ? '' : `${voltage} V`,
						current === null ? '' : `${current} A`,
						power === null ? '' : `${power} W`,
						load ? `on a load ${load.volts} V, ${load.amps} A` : ''
					]
						.filter(Boolean)
						.join(', ')}
				</span>
				<button
					type="button"
					class="act-plain small"
					aria-label="Take out the take of {time(at)}"
					onclick={() => change({ takes: module.takes.filter((one) => one.id !== id) })}
					>Take out</button
				>
			</li>
		{:else}<li class="soft">None yet.</li>{/each}
	</ul>

	<details bind:open={details}>
		<summary>Label, size, looks</summary>
		<div class="grid">
			<Field
				label="Model"
				name="model"
				value={module.model}
				maxlength={80}
				onchange={(event) => change({ model: event.currentTarget.value.trim() })}
			/>
			<Field
				label="Year of make"
				name="year"
				figures
				value={String(module.year ?? '')}
				errors={yearError ? [yearError] : []}
				onchange={(event) => setYear(event.currentTarget.value)}
			/>
			<Field
				label="Connectors, make"
				name="connector"
				value={module.connector}
				maxlength={40}
				onchange={(event) => change({ connector: event.currentTarget.value.trim() })}
			/>
			<Field
				label="Length x width"
				name="size"
				unit="mm"
				value={module.size ? `${module.size.length} x ${module.size.width}` : ''}
				errors={sizeError ? [sizeError] : []}
				onchange={(event) => setSize(event.currentTarget.value)}
			/>
		</div>
		{#key module.id}
			<LabelForm label={module.label} onchange={(label) => change({ label })} />
		{/key}
		<fieldset>
			<legend>What one sees</legend>
			{#each LOOKS as look (look)}
				<label class="tick">
					<input
						type="checkbox"
						checked={module.looks.includes(look)}
						onchange={(event) =>
							change({
								looks: event.currentTarget.checked
									? [...module.looks, look]
									: module.looks.filter((one) => one !== look)
							})}
					/>
					{LOOK_WORDS[look]}
				</label>
			{/each}
		</fieldset>
		<button type="button" class="act-plain" onclick={remove}
			>Take this module out of the batch</button
		>
	</details>
</section>

<style>
	section {
		display: grid;
		gap: 0.7rem;
		padding: 1rem;
		align-content: start;
	}

	header {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.4rem 1rem;
	}

	header button {
		margin-inline-start: auto;
	}

	h2 {
		font-size: 1.35rem;
	}

	.takes li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.2rem 1rem;
		border-top: 1px solid var(--line);
	}

	.takes button {
		margin-inline-start: auto;
		min-height: 44px;
	}

	.small {
		padding: 0.2rem 0.7rem;
	}

	summary {
		min-height: 44px;
		align-content: center;
		font-weight: 600;
	}

	.grid {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
		gap: 0.6rem;
		margin-bottom: 0.6rem;
	}

	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1.2rem;
		margin: 0.8rem 0;
	}

	legend {
		font-weight: 600;
	}
</style>
