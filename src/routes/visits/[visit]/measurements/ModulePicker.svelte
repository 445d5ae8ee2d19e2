<script lang="ts">
	import { type Place, type Quantity, QUANTITY_FACTS } from '$core/visit';
	import type { ArrayRecord } from '$core/record';
	import Stepper from '$lib/ui/Stepper.svelte';

	interface Props {
		record: ArrayRecord;
		quantity: Quantity;
		onchoose: (place: Place) => void;
	}
	let { record, quantity, onchoose }: Props = $props();

	// svelte-ignore state_referenced_locally
	let stringId = $state(record.strings[0]?.id ?? '');
	let module = $state(1);
	let substring = $state(1);
	const string = $derived(record.strings.find(({ id }) => id === stringId));
	const type = $derived(record.moduleTypes.find(({ id }) => id === string?.moduleTypeId));
	/** Below the module: a section between two bars, or its diode. */
	const below = $derived(!QUANTITY_FACTS[quantity].places.includes('string'));
</script>

<form
	onsubmit={(event) => {
		event.preventDefault();
		if (!string) return;
		const at = Math.min(module, string.moduleCount);
		onchoose({ kind: 'module', string: stringId, module: at, section: below ? substring : null });
	}}
>
	<label>
		Of one module, in string
		<select class="bare" name="module-string" bind:value={stringId}>
			{#each record.strings as { id, label } (id)}<option value={id}>{label}</option>{/each}
		</select>
	</label>
	<Stepper
		label="Module, 1 at the negative end"
		name="module"
		bind:value={module}
		max={string?.moduleCount ?? 1}
	/>
	{#if below}
		<Stepper
			label="Section"
			name="section"
			bind:value={substring}
			max={type?.plate.sections ?? 3}
		/>
	{/if}
	<button class="act-plain">Measure it</button>
</form>

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		align-items: end;
		gap: 0.8rem 1.4rem;
		padding: 0.3rem 0.2rem 1rem;
	}

	label {
		display: grid;
		font-weight: 600;
	}
</style>
