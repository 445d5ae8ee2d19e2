<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { resolve } from '$app/paths';
	import type { RecordChange } from '$core/record';
	import { stringsWithInputs, type VoltageGroup } from '$core/assessment';
	import { loadAnew } from '../session/load-anew';
	import { sendJson } from '../session/send-json';
	import type { VisitSession } from '../session/visit-session.svelte';

	interface Props {
		session: VisitSession;
		groups: readonly VoltageGroup[];
	}
	let { session, groups }: Props = $props();

	const strings = $derived(stringsWithInputs(session.document.record, groups));
	let problem = $state('');
	let busy = $state(false);

	/** A new revision of the record; the visit keeps its own until it is carried over. */
	async function record(): Promise<void> {
		busy = true;
		problem = '';
		const change: RecordChange = strings!.map((value) => ({ op: 'put', list: 'strings', value }));
		const { revision, site } = session.document;
		const answer = await sendJson(`/sites/${site.id}/changes`, {
			id: uuid(),
			base: revision.id,
			change
		});
		problem = answer.ok ? '' : answer.words;
		if (answer.ok) await loadAnew();
		busy = false;
	}
</script>

<div class="notice" data-inputs-seen>
	<p>
		The operating voltages show {groups.length} inputs:
		{groups
			.map(
				(group) =>
					`${group.strings.map(({ label }) => label).join(', ')} at ${group.voltage.toFixed(0)} V`
			)
			.join('; ')}.
	</p>
	{#if strings}
		<p class="soft">
			They would be recorded as {groups
				.map(
					(group) =>
						`${group.strings.map(({ label }) => label).join(', ')} on ${strings.find(({ id }) => id === group.strings[0]!.id)!.input}`
				)
				.join('; ')}. Confirm at the inverter.
		</p>
		<button type="button" class="act-plain" disabled={busy} onclick={record}>Record inputs</button>
	{:else}
		<a href={resolve('/sites/[site]/array-record', { site: session.document.site.id })}
			>Record the inputs</a
		>
	{/if}
	{#if problem}<p class="error" role="alert">{problem}</p>{/if}
</div>

<style>
	div {
		display: grid;
		gap: 0.4rem;
	}

	.error {
		color: var(--off);
	}
</style>
