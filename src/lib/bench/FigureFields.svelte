<script lang="ts" generics="K extends string">
	import Field from '$lib/ui/Field.svelte';
	import type { FigureForm } from './figure-form.svelte';

	let { form, keys }: { form: FigureForm<K>; keys: readonly K[] } = $props();
</script>

<div class="fields">
	{#each keys as key (key)}
		<Field
			label={form.fields[key].words}
			name={key}
			unit={form.fields[key].unit}
			figures
			bind:value={form.typed[key]}
			errors={form.errorsOf(key)}
			onchange={() => form.keep()}
		/>
	{/each}
</div>

<style>
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
		gap: 0.6rem;
	}
</style>
