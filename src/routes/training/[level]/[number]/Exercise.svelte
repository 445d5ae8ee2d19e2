<script lang="ts">
	import { onMount } from 'svelte';
	import { drawExercise, type Level, minutesOfFirstRound } from '$core/training';
	import { IRRADIANCE_SOURCE_FACTS, TEMPERATURE_SOURCE_FACTS } from '$core/conditions';
	import { type Place, type Quantity, QUANTITY_FACTS, stringPlace } from '$core/visit';
	import { TrainingSession } from '$lib/session/training-session.svelte';
	import { LEVEL_WORDS } from '$lib/training/levels';
	import PathView from '$lib/ui/PathView.svelte';
	import { count } from '$lib/text/format';
	import { startTrainingWorker } from '$lib/workers/training';
	import type { ZembosWay } from '$lib/workers/training.worker';
	import AnswerForm from './AnswerForm.svelte';
	import Meter from './Meter.svelte';
	import Outcome from './Outcome.svelte';

	let { level, number }: { level: Level; number: number } = $props();

	let worker: ReturnType<typeof startTrainingWorker> | null = null;
	// svelte-ignore state_referenced_locally
	const exercise = drawExercise(number, level);
	const session = new TrainingSession(exercise, (record, visit) =>
		worker!.core.assess(record, visit)
	);
	const { record } = session;
	const [conditions] = exercise.visit.conditions;
	const [type] = record.moduleTypes;
	/** A beginner sees the bands and verdicts; later one judges by the figures and asks. */
	// svelte-ignore state_referenced_locally
	let judged = $state(level === 'one-string');
	let stringId = $state(record.strings[0]!.id);
	const ROUND = ['open-circuit-voltage', 'operating-current'] as const;
	let quantity = $state<(typeof ROUND)[number]>('open-circuit-voltage');
	let hint = $state<string | null>(null);
	let zembo = $state.raw<ZembosWay | null>(null);
	const clock = $derived(
		`${Math.floor(session.seconds / 60)}:${String(session.seconds % 60).padStart(2, '0')}`
	);
	const roundMinutes = minutesOfFirstRound(exercise);

	onMount(() => {
		worker = startTrainingWorker();
		void session.judge();
		const timer = setInterval(() => session.tick(), 1000);
		return () => {
			clearInterval(timer);
			worker?.stop();
		};
	});

	function read(place: Place, quantity: Quantity): void {
		hint = null;
		session.read(place, quantity);
	}
	function askHint(): void {
		session.hints += 1;
		const [test] = session.assessment?.next ?? [];
		hint = test
			? `${test.title}. ${test.how}`
			: session.taken.length === 0
				? 'Read the volts and amps of every string first: against its comparable strings a string is known best.'
				: 'No reading of this exercise would tell more.';
	}
	async function compare(): Promise<void> {
		zembo = (await worker?.core.zembosWay(number, level)) ?? null;
	}
</script>

<svelte:head><title>{LEVEL_WORDS[level].name} {number} · Training · Zembo</title></svelte:head>

<div class="exercise">
	<div class="about">
		<div class="head">
			<h1>{LEVEL_WORDS[level].name} <span class="figure">{number}</span></h1>
			<p class="clock" role="timer" aria-label="Time">
				<span class="figure">{clock}</span>
				<span class="soft"
					>{count(session.taken.length, 'reading')},
					<span class="figure">{Math.round(session.minutes)}</span> min of work</span
				>
			</p>
		</div>
		<p class="sky">
			{#if conditions}
				<span class="figure">{conditions.irradiance.value.toFixed(0)}</span> W/m²
				<span class="soft">({IRRADIANCE_SOURCE_FACTS[conditions.irradiance.source].short})</span>,
				<span class="figure">{conditions.cellTemperature.value.toFixed(0)}</span> °C cells
				<span class="soft"
					>({TEMPERATURE_SOURCE_FACTS[conditions.cellTemperature.source].short})</span
				>.
			{/if}
			{#if type}
				Modules of {type.plate.pmax} W: Voc <span class="figure">{type.plate.voc} V</span>, Isc
				<span class="figure">{type.plate.isc} A</span>, in service since {record.inServiceSince}.
			{/if}
		</p>
		<div class="ways">
			{#if session.taken.length === 0}
				<button type="button" class="act" onclick={() => session.readFirstRound()}
					>Read volts and amps of every string <span class="soft figure"
						>{Math.round(roundMinutes)} min</span
					></button
				>
			{/if}
			<label class="tick">
				<input type="checkbox" name="judged" bind:checked={judged} /> Bands and verdicts
			</label>
			<button type="button" class="act-plain" onclick={askHint}>What would Zembo read next</button>
		</div>
		{#if hint}<p class="notice" role="status">{hint}</p>{/if}
	</div>
	<section class="array" aria-label="The array">
		<div class="quantities" role="group" aria-label="What is shown">
			{#each ROUND as one (one)}
				<button
					type="button"
					class="act-plain choice"
					aria-pressed={quantity === one}
					onclick={() => (quantity = one)}>{QUANTITY_FACTS[one].words}</button
				>
			{/each}
		</div>
		<PathView
			{record}
			places={session.places}
			{judged}
			shown={[quantity]}
			marks={ROUND.filter((other) => other !== quantity)}
			room={112}
			onchoose={(id, quantity) => {
				stringId = id;
				read(stringPlace(id), quantity);
			}}
		/>
		{#if session.taken.length > 0}
			<h2>Read so far</h2>
			<ul class="lines taken" aria-label="Read so far">
				{#each session.taken as { n, where, what, figure } (n)}
					<li>
						<span class="figure soft">{n}</span>
						<span><strong>{where}</strong> {what}</span>
						<span class="figure value">{figure}</span>
					</li>
				{/each}
			</ul>
		{/if}
	</section>
	<aside>
		<Meter
			{exercise}
			last={session.taken[0] ?? null}
			problem={session.problem}
			bind:stringId
			{read}
		/>
		{#if session.marking}
			<Outcome {session} marking={session.marking} {zembo} {compare} />
		{:else}
			<AnswerForm {record} onanswer={(answer) => session.answer(answer)} />
		{/if}
	</aside>
</div>

<style>
	.exercise {
		display: grid;
		grid-template: 'about side' auto 'array side' 1fr / minmax(0, 1fr) minmax(0, 25rem);
		gap: 1rem 1.5rem;
		align-items: start;
		padding: 1rem clamp(0.75rem, 2vw, 1.5rem) 4rem;
	}

	.head {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		justify-content: space-between;
		gap: 0.2rem 1.4rem;
	}

	h1 {
		font-size: 1.6rem;
	}

	h2 {
		font-size: 1.15rem;
		margin: 1.2rem 0 0.3rem;
	}

	.clock {
		display: flex;
		align-items: baseline;
		gap: 0.7rem;
	}

	.clock > .figure {
		font-size: 1.7rem;
		font-weight: 650;
	}

	.sky {
		margin: 0.3rem 0 0.9rem;
	}

	.quantities {
		display: flex;
		gap: 0.6rem;
		margin-bottom: 0.6rem;
	}

	.ways {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem 1.2rem;
	}

	.act .soft {
		color: inherit;
		margin-inline-start: 0.5rem;
	}

	.taken li {
		display: grid;
		grid-template-columns: 2ch minmax(0, 1fr) auto;
		gap: 0.7rem;
		align-items: baseline;
		padding: 0.3rem 0;
	}

	.value {
		font-weight: 650;
	}

	.about {
		grid-area: about;
	}

	.array {
		grid-area: array;
	}

	aside {
		grid-area: side;
		display: grid;
		gap: 1rem;
	}

	@media (min-width: 901px) {
		aside {
			position: sticky;
			top: 0.8rem;
		}
	}

	@media (max-width: 900px) {
		/* The meter before the strings: a list of many would hide it. */
		.exercise {
			grid-template: 'about' 'side' 'array' / minmax(0, 1fr);
		}
	}
</style>
