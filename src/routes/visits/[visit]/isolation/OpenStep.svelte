<script lang="ts">
	import { readFigure } from '$core/document';
	import { isWithin, limitsOf, type StepProgress, type Task } from '$core/isolation';
	import type { VisitSession } from '$lib/session/visit-session.svelte';
	import { ui } from '$lib/messages/interface-messages';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		session: VisitSession;
		task: Task;
		item: StepProgress;
	}
	let { session, task, item }: Props = $props();
	const { step, state: standing, entry, remaining } = $derived(item);

	let typed = $state('');
	let problem = $state('');
	let sending = $state(false);
	const BOUNDS = { min: -1e7, max: 1e7, unit: '' };
	const minutes = $derived(
		`${Math.floor(remaining / 60)}:${String(remaining % 60).padStart(2, '0')}`
	);
	/** What was read last and does not prove the step. */
	const beyond = $derived(
		step.proof && entry?.value != null && !isWithin(step.proof, entry.value) ? entry.value : null
	);

	async function store(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		let value: number | null = null;
		if (step.proof) {
			const read = readFigure(typed, { ...BOUNDS, unit: step.proof.unit });
			if (!read.ok) return void (problem = read.problem);
			value = read.value;
		}
		sending = true;
		const words = await session.settle(task, step.key, value);
		sending = false;
		problem = words ?? '';
		if (words === null) typed = '';
	}
</script>

<div class="open">
	{#each step.cautions as { text, source } (text.code)}
		<p class="caution">{speak(text)} <span class="soft">({speak(source)})</span></p>
	{/each}
	{#if standing === 'blocked'}
		<p class="notice" data-kind="error" role="alert">{step.blocked.map(speak).join(' ')}</p>
	{:else if standing === 'waiting'}
		<p class="count" role="timer">
			<span class="figure">{minutes}</span>
			{#if step.wait}
				<span>{speak(step.wait.why)} <span class="soft">{speak(step.wait.source)}</span></span>
			{/if}
		</p>
	{:else}
		<form onsubmit={store}>
			{#if step.proof}
				{#if beyond !== null}
					<p class="notice" data-kind="error" role="alert">
						{speak(ui('isolation-steps.beyond', { value: beyond, unit: step.proof.unit }))}
						{speak(step.proof.beyond)}
					</p>
				{/if}
				<label>
					<span>{speak(step.proof.what)}: {limitsOf(step.proof).map(speak).join(', ')}</span>
					<span class="field">
						<input
							name="proof"
							class="figure"
							inputmode="decimal"
							autocomplete="off"
							bind:value={typed}
						/>
						{step.proof.unit}
					</span>
				</label>
				<p class="soft">{speak(step.proof.source)}</p>
			{/if}
			{#if problem}<p class="error" role="alert">{problem}</p>{/if}
			<button class="act" disabled={sending}
				>{speak(ui(step.proof ? 'isolation-steps.save' : 'isolation-steps.confirm'))}</button
			>
		</form>
	{/if}
</div>

<style>
	.open,
	form {
		display: grid;
		gap: 0.5rem;
		margin-top: 0.4rem;
	}

	form {
		justify-items: start;
	}

	.caution {
		border-inline-start: 5px solid var(--look);
		padding-inline-start: 0.7rem;
		line-height: 1.35;
	}

	label {
		display: grid;
		gap: 0.2rem;
		font-weight: 600;
	}

	.field {
		display: flex;
		align-items: baseline;
		gap: 0.4rem;
		font-size: 1.3rem;
	}

	input {
		width: 9rem;
		min-height: 52px;
		padding: 0 0.6rem;
		font-size: 1.6rem;
		text-align: end;
		background: var(--paper);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	.act {
		min-height: 52px;
		min-width: 11rem;
	}

	.count {
		display: flex;
		align-items: center;
		gap: 1rem;
	}

	.count .figure {
		font-size: 2.6rem;
		font-weight: 650;
	}

	.error {
		color: var(--off);
		font-weight: 600;
	}
</style>
