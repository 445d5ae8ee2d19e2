<script lang="ts">
	import { readFigure } from '$core/document';
	import type { ArrayRecord } from '$core/record';
	import {
		type InspectionEntry,
		type InspectionStop,
		outcomeOfStop,
		placeOfDefect,
		scaleInfrared,
		SEVERITY_WORDS
	} from '$core/inspection';
	import type { Answer, InspectionSession } from '$lib/session/inspection-session.svelte';
	import AnswerForm from './AnswerForm.svelte';
	import OutcomeMark from '$lib/ui/OutcomeMark.svelte';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		stop: InspectionStop;
		record: ArrayRecord;
		session: InspectionSession;
	}
	let { stop, record, session }: Props = $props();

	let form = $state<'finding' | 'not-seen' | 'infrared' | null>(null);
	let changed = $state.raw<InspectionEntry | null>(null);
	let measured = $state('');
	let wrong = $state('');
	const outcome = $derived(outcomeOfStop(stop));
	const { item, measured: asked } = $derived(stop);
	const place = $derived(stop.part ? { kind: 'part' as const, partId: stop.part.id } : null);

	const plain = (outcome: Answer['outcome']): Answer => ({
		stop: stop.key,
		outcome,
		severity: null,
		place,
		words: '',
		measured: null,
		infrared: null,
		photographs: []
	});
	/** One plain answer replaces what stood; findings stand beside each other. */
	function fits(): void {
		void session.answer(plain('fits'), stop.answers[0] ?? null);
	}

	function limitWords(): string {
		const { limit, unit, source } = asked!;
		const most = limit.most === undefined ? '' : `at most ${limit.most} ${unit}`;
		const least = limit.least === undefined ? '' : `at least ${limit.least} ${unit}`;
		return `${most}${least} (${source})`;
	}
	function storeMeasured(): void {
		const read = readFigure(measured, { min: 0, max: 1e6, unit: asked!.unit });
		wrong = read.ok ? '' : read.problem;
		if (!read.ok) return;
		const { most, least } = asked!.limit;
		const within =
			(most === undefined || read.value <= most) && (least === undefined || read.value >= least);
		const answer: Answer = {
			...plain(within ? 'fits' : 'finding'),
			severity: within ? null : asked!.beyond,
			words: within ? '' : `${read.value} ${asked!.unit}, required ${limitWords()}`,
			measured: read.value
		};
		void session.answer(answer, stop.answers[0] ?? null);
		measured = '';
	}
	async function store(answer: Answer): Promise<void> {
		const replaces = changed ?? stop.answers.find((entry) => entry.outcome !== 'finding') ?? null;
		form = null;
		changed = null;
		await session.answer(answer, replaces);
	}
</script>

<li data-stop={stop.key} data-outcome={outcome}>
	<div class="row">
		<OutcomeMark {outcome} />
		<div class="what">
			<p>
				{#if stop.part}<strong>{stop.part.mark}:</strong>{/if}
				{item.words}
				{#if stop.part?.place}<span class="soft">({stop.part.place})</span>{/if}
			</p>
			{#if item.caution}<p class="caution">{item.caution}</p>{/if}
		</div>
		<div class="acts">
			{#if asked}
				<label class="sr-only" for="m-{stop.key}">{item.words}, {asked.unit}</label>
				<input
					id="m-{stop.key}"
					class="figure"
					inputmode="decimal"
					autocomplete="off"
					bind:value={measured}
					placeholder={asked.unit}
					onkeydown={(event) => {
						if (event.key === 'Enter') storeMeasured();
					}}
				/>
				<button class="act-plain" aria-label="Save reading" onclick={storeMeasured}>Save</button>
			{:else}
				<button class="act-plain" aria-pressed={outcome === 'fits'} onclick={fits}>Fits</button>
			{/if}
			<button
				class="act-plain"
				aria-expanded={form === 'finding'}
				onclick={() => (form = form === 'finding' ? null : 'finding')}>Finding</button
			>
			{#if item.id === 'infrared'}
				<button
					class="act-plain"
					aria-expanded={form === 'infrared'}
					onclick={() => (form = form === 'infrared' ? null : 'infrared')}>Picture</button
				>
			{/if}
			<button
				class="act-plain"
				aria-expanded={form === 'not-seen'}
				onclick={() => (form = form === 'not-seen' ? null : 'not-seen')}>Not seen</button
			>
		</div>
	</div>
	{#if asked}<p class="soft limit">{limitWords()}</p>{/if}
	{#if wrong}<p class="wrong" role="alert">{wrong}</p>{/if}
	{#each stop.answers.filter((entry) => entry.outcome !== 'fits' || entry.measured !== null) as entry (entry.id)}
		{@const where = placeOfDefect(record, entry.place)}
		<div class="answer" data-outcome={entry.outcome}>
			<p>
				{#if entry.severity}<strong>{SEVERITY_WORDS[entry.severity]}</strong>{/if}
				{#if entry.outcome === 'not-seen'}<strong>not seen</strong>{/if}
				{#if entry.place?.kind !== 'part' && where}<span class="figure">{speak(where)}</span>{/if}
				{entry.outcome === 'fits' && entry.measured !== null
					? `${entry.measured} ${asked?.unit ?? ''}`
					: entry.words}
			</p>
			{#if entry.infrared}
				{@const said = scaleInfrared(entry.infrared)}
				<p>{said.words} <span class="soft">{said.formula}</span></p>
			{/if}
			{#if entry.photographs.length > 0}
				<p class="photographs">
					{#each entry.photographs as id (id)}
						<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- a picture, not a page -->
						<a href="/photographs/{id}" target="_blank" rel="noreferrer"
							><img src="/photographs/{id}" alt="Photograph of the finding" loading="lazy" /></a
						>
					{/each}
				</p>
			{/if}
			<p class="change">
				<button
					onclick={() => {
						changed = entry;
						form = entry.infrared
							? 'infrared'
							: entry.outcome === 'not-seen'
								? 'not-seen'
								: 'finding';
					}}>change</button
				>
				<button onclick={() => void session.withdraw(entry)}>take back</button>
			</p>
		</div>
	{/each}
	{#if form}
		{#key `${form}/${changed?.id ?? ''}`}
			<AnswerForm
				kind={form}
				{stop}
				{record}
				{session}
				from={changed}
				onstore={(answer) => void store(answer)}
				onclose={() => {
					form = null;
					changed = null;
				}}
			/>
		{/key}
	{/if}
</li>

<style>
	li {
		padding: 0.45rem 0;
		border-bottom: 1px solid var(--line);
	}

	.row {
		display: grid;
		grid-template-columns: 26px minmax(0, 1fr) auto;
		gap: 0.3rem 0.8rem;
		align-items: center;
	}

	.acts {
		display: flex;
		gap: 0.5rem;
	}

	.acts .act-plain {
		padding-inline: 0.8rem;
	}

	[aria-pressed='true'],
	[aria-expanded='true'] {
		background: var(--lit);
	}

	.caution {
		font-size: 0.92rem;
		color: var(--off);
		font-weight: 550;
	}

	input {
		width: 6rem;
		min-height: 44px;
		padding: 0 0.5rem;
		background: var(--sheet);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	.limit {
		margin-inline-start: 2.4rem;
		font-size: 0.9rem;
	}

	.wrong {
		color: var(--off);
		font-weight: 600;
	}

	.answer {
		margin: 0.3rem 0 0.3rem 2.4rem;
		padding-inline-start: 0.8rem;
		border-inline-start: 4px solid var(--rule);
	}

	.answer[data-outcome='finding'] {
		border-color: var(--off);
	}

	.photographs {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin: 0.4rem 0;
	}

	img {
		height: 84px;
		border: 1px solid var(--rule);
	}

	.change button {
		min-height: 44px;
		padding-inline-end: 1rem;
		color: var(--accent);
		text-decoration: underline;
	}

	@media (max-width: 760px) {
		.row {
			grid-template-columns: 26px minmax(0, 1fr);
		}

		.acts {
			grid-column: 1 / -1;
		}

		.acts .act-plain {
			flex: 1;
		}
	}
</style>
