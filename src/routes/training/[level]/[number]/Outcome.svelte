<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Marking } from '$core/training';
	import type { TrainingSession } from '$lib/session/training-session.svelte';
	import { count } from '$lib/text/format';
	import type { ZembosWay } from '$lib/workers/training.worker';

	interface Props {
		session: TrainingSession;
		marking: Marking;
		/** Null until it is asked for, and worked out. */
		zembo: ZembosWay | null;
		compare: () => Promise<void>;
	}
	let { session, marking, zembo, compare }: Props = $props();
	let comparing = $state(false);
	const { level, number } = $derived(session.exercise);

	const lines = $derived(
		[
			['The cause', marking.cause],
			['The string', marking.string],
			['The place in it', marking.spot]
		].flatMap(([words, right]) => (right === null ? [] : [{ words, right }]))
	);
</script>

<!-- It takes the place of the form that had the focus. -->
<section
	class="panel"
	aria-label="How it was"
	tabindex="-1"
	{@attach (substring) => substring.focus({ preventScroll: false })}
>
	<h2>{marking.cause && marking.string ? 'Found' : 'Not found'}</h2>
	<ul>
		{#each lines as { words, right } (words)}
			<li>
				<svg viewBox="0 0 20 20" aria-hidden="true">
					{#if right}<path d="M4 10.6l4 4L16 6" class="right" />
					{:else}<path d="M5 5l10 10M15 5L5 15" class="wrong" />{/if}
				</svg>
				{words}: {right ? 'right' : 'not right'}
			</li>
		{/each}
	</ul>
	<p><strong>What was hidden</strong></p>
	{#each marking.truth as words (words)}<p>{words}</p>{/each}
	<p class="soft">
		You took {count(session.taken.length, 'reading')} of {Math.round(session.minutes)} min and {count(
			session.hints,
			'hint'
		)}.
		{#if zembo}
			From the first round on, what Zembo proposes takes {count(zembo.readings, 'reading')} of
			{Math.round(zembo.minutes)} min more.
		{/if}
	</p>
	{#if !zembo}
		<button
			type="button"
			class="act-plain"
			disabled={comparing}
			onclick={() => {
				comparing = true;
				void compare();
			}}>{comparing ? 'Working it out' : 'What Zembo would have taken'}</button
		>
	{/if}
	<p class="next">
		<a
			class="act"
			href={resolve('/training/[level]/[number]', { level, number: String(number + 1) })}
			>Next exercise</a
		>
		<a href={resolve('/training')}>All exercises</a>
	</p>
</section>

<style>
	section {
		display: grid;
		gap: 0.5rem;
		padding: 0.9rem 1.1rem 1.1rem;
	}

	h2 {
		font-size: 1.3rem;
	}

	li {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 30px;
	}

	svg {
		width: 22px;
		height: 22px;
		fill: none;
		stroke-width: 2.6;
		stroke-linecap: round;
	}

	.right {
		stroke: var(--fits);
	}

	.wrong {
		stroke: var(--off);
	}

	.act-plain {
		justify-self: start;
	}

	.next {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem 1.2rem;
		margin-top: 0.4rem;
	}
</style>
