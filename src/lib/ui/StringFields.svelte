<script lang="ts">
	import type { Writable } from 'svelte/store';
	import type { ModuleType } from '$core/circuit/record';
	import type { StringsForm } from '$core/document/forms';
	import Choice from './Choice.svelte';
	import Field from './Field.svelte';

	interface Props {
		form: Writable<StringsForm>;
		errors: Partial<Record<keyof StringsForm, string[] | undefined>>;
		moduleTypes: readonly ModuleType[];
	}
	let { form, errors, moduleTypes }: Props = $props();
</script>

<Choice
	label="Module type"
	name="moduleTypeId"
	bind:value={$form.moduleTypeId}
	errors={errors.moduleTypeId}
	options={moduleTypes.map((type) => ({
		value: type.id,
		words: `${type.name}, ${type.plate.pmax} W`
	}))}
/>
<Field
	label="Modules in the string"
	name="moduleCount"
	bind:value={$form.moduleCount}
	errors={errors.moduleCount}
	figures
/>
<Field
	label="Cable, both ways"
	name="cableResistance"
	bind:value={$form.cableResistance}
	errors={errors.cableResistance}
	unit="ohm"
	figures
	help="100 m of 4 mm² copper is 0.43 ohm"
/>
<Choice
	label="String fuse"
	name="fuse"
	bind:value={$form.fuse}
	options={[
		{ value: 'none', words: 'None' },
		{ value: 'rated', words: 'Yes, rating below' },
		{ value: 'unknown', words: 'Yes, rating unknown' }
	]}
/>
{#if $form.fuse === 'rated'}
	<Field
		label="Fuse rating"
		name="fuseRating"
		bind:value={$form.fuseRating}
		errors={errors.fuseRating}
		unit="A"
		figures
	/>
{:else}
	<input type="hidden" name="fuseRating" value={$form.fuseRating} />
{/if}
<Field
	label="Inverter input"
	name="input"
	bind:value={$form.input}
	errors={errors.input}
	help="Strings of one input run in parallel; empty if not known yet"
/>
