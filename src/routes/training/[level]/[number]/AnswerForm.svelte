<script lang="ts">
	import { type Answer, HIDDEN_CODES, pointKindOf } from '$core/training';
	import { FAULTS } from '$core/visit';
	import type { CauseCode } from '$core/faults';
	import type { ArrayRecord } from '$core/record';
	import Stepper from '$lib/ui/Stepper.svelte';

	let { record, onanswer }: { record: ArrayRecord; onanswer: (answer: Answer) => void } = $props();

	const CAUSES: readonly (readonly [CauseCode, string])[] = [
		['healthy', 'Nothing is wrong'],
		...HIDDEN_CODES.map((code) => [code, FAULTS[code].words] as const),
		['reading-wrong', FAULTS['reading-wrong'].words]
	];
	let code = $state<CauseCode | ''>('');
	let string = $state('');
	let number = $state(1);
	const kind = $derived(code === '' ? null : pointKindOf(code));
	const named = $derived(record.strings.find(({ label }) => label === string));
	const LABELS = {
		module: 'Module, 1 at the negative end',
		joint: 'Joint above module (0: the lead below module 1)',
		device: 'Device, 1 at the negative end'
	} as const;

	function say(event: SubmitEvent): void {
		event.preventDefault();
		if (code === '') return;
		const spot = kind !== null && string !== '' ? number : null;
		onanswer({ code, string: string === '' ? null : string, spot });
	}
</script>

<form class="panel asks" aria-label="What is it" onsubmit={say}>
	<h2>What is it</h2>
	<label>
		<span>Cause</span>
		<select name="cause" bind:value={code} required>
			<option value="" disabled>choose</option>
			{#each CAUSES as [one, words] (one)}<option value={one}>{words}</option>{/each}
		</select>
	</label>
	{#if code !== '' && code !== 'healthy'}
		<label>
			<span>Where</span>
			<select name="string" bind:value={string}>
				<option value="">several, or what they share</option>
				{#each record.strings as { id, label } (id)}<option value={label}>{label}</option>{/each}
			</select>
		</label>
		{#if kind === 'pole' && string !== ''}
			<label>
				<span>Pole</span>
				<select name="pole" bind:value={number}>
					<option value={1}>plus</option>
					<option value={2}>minus</option>
				</select>
			</label>
		{:else if kind !== null && kind !== 'pole' && string !== ''}
			<Stepper
				label={LABELS[kind]}
				name="spot"
				min={kind === 'joint' ? 0 : 1}
				bind:value={number}
				max={named?.moduleCount ?? 1}
			/>
		{/if}
	{/if}
	<button class="act">Say so, stop the clock</button>
</form>

<style>
	form {
		display: grid;
		gap: 0.7rem;
		padding: 0.9rem 1.1rem 1.1rem;
	}

	h2 {
		font-size: 1.15rem;
	}

	.act {
		min-height: 52px;
	}
</style>
