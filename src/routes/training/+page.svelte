<script lang="ts">
	import { onMount } from 'svelte';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { type Level, LEVELS } from '$core/training';
	import { doneExercises, type DoneExercise } from '$lib/training/done-exercises';
	import { LEVEL_WORDS } from '$lib/training/levels';
	import { dayAndTime } from '$lib/text/when';
	import { count } from '$lib/text/format';

	let level = $state<Level>('one-string');
	let number = $state('');
	let problem = $state('');
	let done = $state.raw<readonly DoneExercise[]>([]);
	onMount(() => {
		done = doneExercises();
		// The next that was not done yet at this level; somebody may type any other.
		number = String(nextOf(level));
	});
	const nextOf = (of: Level) =>
		1 + Math.max(0, ...done.filter((one) => one.level === of).map((one) => one.number));
	const right = $derived(done.filter((one) => one.right).length);
	const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;

	function begin(event: SubmitEvent): void {
		event.preventDefault();
		if (!/^[1-9]\d{0,5}$/.test(number.trim())) {
			problem = 'A whole number from 1 to 999999.';
			return;
		}
		void goto(resolve('/training/[level]/[number]', { level, number: number.trim() }));
	}
</script>

<svelte:head><title>Training · Zembo</title></svelte:head>

<div class="page">
	<h1>Training</h1>
	<p class="soft lead">
		Find a hidden fault with a virtual meter, against the clock. No site is involved, and results
		are stored in this browser alone. On a real array, isolation comes before every measurement
		behind a cover.
	</p>
	<form onsubmit={begin}>
		<fieldset>
			<legend>How hard</legend>
			{#each LEVELS as one (one)}
				<label class="level" class:chosen={level === one}>
					<input
						type="radio"
						name="level"
						value={one}
						bind:group={level}
						onchange={() => (number = String(nextOf(one)))}
					/>
					<span><strong>{LEVEL_WORDS[one].name}</strong>{LEVEL_WORDS[one].words}</span>
				</label>
			{/each}
		</fieldset>
		<label class="number">
			<span>Exercise</span>
			<input
				name="number"
				class="figure"
				inputmode="numeric"
				autocomplete="off"
				bind:value={number}
				aria-describedby="number-words"
			/>
			<span id="number-words" class="soft">The same number is the same exercise for everybody.</span
			>
		</label>
		{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
		<button class="act">Begin</button>
	</form>
	{#if done.length > 0}
		<section aria-label="Done">
			<h2>Done in this browser: {right} of {done.length} right</h2>
			<ul class="lines">
				{#each done as one, i (i)}
					<li>
						<a
							href={resolve('/training/[level]/[number]', {
								level: one.level,
								number: String(one.number)
							})}>{LEVEL_WORDS[one.level].name} {one.number}</a
						>
						<span>{one.right ? 'right' : 'not found'}</span>
						<span class="soft figure"
							>{count(one.readings, 'reading')}, {Math.round(one.minutes)} min</span
						>
						<span class="soft">{dayAndTime(one.at, zone)}</span>
					</li>
				{/each}
			</ul>
		</section>
	{/if}
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.lead {
		max-width: 76ch;
		margin-bottom: 1rem;
	}

	form {
		display: grid;
		gap: 1rem;
		justify-items: start;
		max-width: 46rem;
	}

	fieldset {
		display: grid;
		gap: 0.6rem;
		width: 100%;
	}

	legend,
	.number > span:first-child {
		font-weight: 650;
		margin-bottom: 0.4rem;
	}

	.level {
		display: grid;
		grid-template-columns: 1.6rem minmax(0, 1fr);
		align-items: center;
		gap: 0.7rem;
		min-height: 64px;
		padding: 0.6rem 0.9rem;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		line-height: 1.3;
	}

	.level.chosen {
		background: var(--lit);
		outline: 3px solid var(--accent);
		outline-offset: -1px;
	}

	.level input {
		width: 1.4rem;
		height: 1.4rem;
		accent-color: var(--accent);
	}

	.level strong {
		display: block;
	}

	.number {
		display: grid;
	}

	.number input {
		width: 9rem;
		min-height: 52px;
		padding: 0 0.6rem;
		font-size: 1.4rem;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	.act {
		min-height: 52px;
		min-width: 11rem;
	}

	section {
		margin-top: 2rem;
	}

	h2 {
		font-size: 1.2rem;
		margin-bottom: 0.4rem;
	}

	section li {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 1.2rem;
		align-items: center;
		min-height: 44px;
	}
</style>
