<script lang="ts">
	import ShieldCheck from '@lucide/svelte/icons/shield-check';
	import { resolve } from '$app/paths';
	import { type Gate, OWN_PROCEDURE, taskName } from '$core/isolation';
	import type { VisitSession } from '../session/visit-session.svelte';
	import { ui } from '$lib/messages/interface-messages';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		session: VisitSession;
		gate: Exclude<Gate, { open: true }>;
	}
	let { session, gate }: Props = $props();
	let asked = $state(false);
	let problem = $state('');

	const address = $derived(
		`${resolve('/visits/[visit]/isolation', { visit: session.document.visit.id })}?task=${gate.task}`
	);
	async function answer(): Promise<void> {
		problem = (await session.settle(gate.task, OWN_PROCEDURE, null)) ?? '';
	}
</script>

<div class="gate" role="group" aria-label={speak(ui('isolation-gate.label'))}>
	<p><strong>{speak(ui('isolation-gate.first'))}</strong> {speak(taskName(gate.task))}.</p>
	<p>{speak(ui('isolation-gate.next', { step: speak(gate.next.step.title) }))}</p>
	<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
	<a class="act" href={address}
		><ShieldCheck size={20} aria-hidden="true" />{speak(ui('isolation-gate.go'))}</a
	>
	{#if asked}
		<p class="soft">
			{speak(
				session.by
					? ui('isolation-gate.own-meaning', { by: session.by })
					: ui('isolation-gate.own-meaning-unnamed')
			)}
		</p>
		<button type="button" class="act-plain" onclick={answer}
			>{speak(ui('isolation-gate.own-confirm'))}</button
		>
	{:else}
		<button type="button" class="act-plain" onclick={() => (asked = true)}>
			{speak(ui('isolation-gate.own'))}
		</button>
	{/if}
	{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
</div>

<style>
	.gate {
		display: grid;
		gap: 0.6rem;
		padding: 0.8rem 0.9rem;
		border-inline-start: 6px solid var(--look);
		background: var(--well);
	}
</style>
