<script lang="ts">
	import type { FieldErrors } from '$core/document';
	import type { PartFields } from '$core/record';
	import Choice from './Choice.svelte';
	import Field from './Field.svelte';

	interface Props {
		fields: PartFields;
		typed: Record<string, string>;
		errors: FieldErrors;
	}
	let { fields, typed = $bindable(), errors }: Props = $props();
	const wrong = (key: string) => (errors[key] === undefined ? [] : [errors[key]]);
</script>

{#each Object.entries(fields) as [key, field] (key)}
	{#if field.type === 'choice'}
		<Choice
			label={field.words}
			name={key}
			bind:value={typed[key]!}
			errors={wrong(key)}
			words={field.help}
			options={[
				{ value: '', words: 'Not known yet' },
				...field.options.map((value) => ({ value, words: value }))
			]}
		/>
	{:else}
		<Field
			label={field.words}
			name={key}
			bind:value={typed[key]!}
			errors={wrong(key)}
			help={field.help}
			unit={field.type === 'figure' ? field.unit : ''}
			figures={field.type === 'figure'}
		/>
	{/if}
{/each}
