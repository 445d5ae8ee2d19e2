<script lang="ts">
	import { limitsOf, type StepProgress, type Task } from '$core/isolation';
	import type { VisitSession } from '$lib/session/visit-session.svelte';
	import { dayAndTime } from '$lib/text/when';
	import OpenStep from './OpenStep.svelte';
	import { ui } from '$lib/messages/interface-messages';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		session: VisitSession;
		task: Task;
		title: string;
		progress: readonly StepProgress[];
		/** Only what is next is shown until somebody opens it. */
		folded?: boolean;
	}
	let { session, task, title, progress, folded = false }: Props = $props();

	/** A list of so many steps is shown whole; of a longer one what lies about the open step. */
	const WHOLE = 12;
	const BEHIND = 2;
	const AHEAD = 5;
	const MORE = 24;
	const settled = $derived(progress.filter(({ state }) => state === 'done').length);
	const open = $derived(progress.findIndex(({ state }) => state !== 'done'));
	let behind = $state(BEHIND);
	let ahead = $state(AHEAD);
	const from = $derived(
		progress.length <= WHOLE ? 0 : Math.max(0, (open < 0 ? progress.length : open) - behind)
	);
	const to = $derived(
		progress.length <= WHOLE || open < 0
			? progress.length
			: Math.min(progress.length, open + 1 + ahead)
	);
	const left = $derived(progress.length - to);
	/** The button for steps that are not shown: all of them, or as many as the next press shows. */
	const showRest = (which: 'completed' | 'following', rest: number) =>
		rest <= MORE
			? ui(`isolation-steps.show-${which}`, { count: rest })
			: ui(`isolation-steps.show-some-${which}`, { shown: MORE, total: rest });
	let problem = $state('');
	let opened = $state(false);
	const shown = $derived(!folded || opened || settled > 0);

	async function reopen(key: string): Promise<void> {
		problem = (await session.reopen(task, key)) ?? '';
	}
</script>

{#if progress.length > 0}
	<section aria-label={title}>
		<h2>
			{title}
			<span class="soft figure"
				>{speak(ui('isolation-steps.progress', { done: settled, total: progress.length }))}</span
			>
		</h2>
		{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
		{#if !shown}
			<button type="button" class="act-plain" onclick={() => (opened = true)}
				>{speak(ui('isolation-steps.show-return-to-service'))}</button
			>
		{:else}
			{#if from > 0}
				<button type="button" class="rest" onclick={() => (behind += MORE)}
					>{speak(showRest('completed', from))}</button
				>
			{/if}
			<ol start={from + 1}>
				{#each progress.slice(from, to) as item (item.step.key)}
					{@const { step, state, entry } = item}
					<li data-state={state} data-step={step.key}>
						<svg viewBox="0 0 20 20" aria-hidden="true">
							<circle cx="10" cy="10" r="7" class="ring" />
							{#if state === 'done'}<path d="M6 10.4l2.8 2.8L14.2 7" class="tick" />
							{:else if state === 'next' || state === 'not-proved'}<circle
									cx="10"
									cy="10"
									r="3.2"
									class="dot"
								/>
							{:else if state === 'waiting'}<path d="M10 6v4l3 2" class="tick" />
							{:else if state === 'blocked'}<path d="M6 10h8" class="tick" />{/if}
						</svg>
						<div>
							<p class="title">
								{speak(step.title)}<span class="sr-only"
									>, {speak(ui(`isolation-state.${state}`))}</span
								>
								{#if step.where}<span class="soft">{speak(step.where)}</span>{/if}
							</p>
							{#if state === 'done' && entry}
								<p class="soft proved">
									{#if entry.value !== null && step.proof}
										<span class="figure">{entry.value} {step.proof.unit}</span>
										({limitsOf(step.proof).map(speak).join(', ')}),
									{/if}
									{dayAndTime(entry.at, session.document.site.timeZone)}, {entry.by}
									<button type="button" onclick={() => void reopen(step.key)}
										>{speak(ui('isolation-steps.undo'))}</button
									>
								</p>
							{:else if state !== 'later'}
								<OpenStep {session} {task} {item} />
							{/if}
						</div>
					</li>
				{/each}
			</ol>
			{#if left > 0}
				<button type="button" class="rest" onclick={() => (ahead += MORE)}
					>{speak(showRest('following', left))}</button
				>
			{/if}
		{/if}
	</section>
{/if}

<style>
	section {
		margin-bottom: 1.6rem;
	}

	h2 {
		font-size: 1.15rem;
		margin-bottom: 0.4rem;
	}

	.rest {
		min-height: 44px;
		padding: 0 0.6rem;
		color: var(--accent);
		text-decoration: underline;
	}

	li {
		display: grid;
		grid-template-columns: 26px minmax(0, 1fr);
		gap: 0.7rem;
		padding: 0.5rem 0.6rem;
		border-top: 1px solid var(--line);
	}

	li[data-state='next'],
	li[data-state='not-proved'],
	li[data-state='waiting'],
	li[data-state='blocked'] {
		background: var(--sheet);
		border: var(--stroke) solid var(--accent);
		border-radius: 3px;
		padding: 0.9rem 0.8rem;
	}

	li[data-state='later'] .title {
		color: var(--soft);
	}

	svg {
		width: 26px;
		height: 26px;
	}

	.ring,
	.tick {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.8;
		stroke-linecap: round;
	}

	.dot {
		fill: var(--accent);
	}

	.title {
		font-weight: 600;
		line-height: 1.3;
	}

	.title .soft {
		display: block;
		font-weight: 400;
		font-size: 0.92rem;
	}

	[data-state='done'] .title {
		font-weight: 500;
	}

	.proved {
		font-size: 0.92rem;
	}

	.proved button {
		min-height: 44px;
		padding: 0 0.5rem;
		color: var(--accent);
		text-decoration: underline;
	}
</style>
