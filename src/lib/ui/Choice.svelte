<script lang="ts">
	import type { HTMLSelectAttributes } from 'svelte/elements';

	interface Props extends Omit<HTMLSelectAttributes, 'value'> {
		label: string;
		name: string;
		value: string;
		options: readonly { readonly value: string; readonly words: string }[];
		errors?: readonly string[] | undefined;
		/** What the choice means. */
		words?: string;
	}
	let {
		label,
		name,
		value = $bindable(),
		options,
		errors = [],
		words = '',
		...rest
	}: Props = $props();
	const id = $props.id();
</script>

<div class="field">
	<label for={id}>{label}</label>
	<select {id} {name} bind:value aria-invalid={errors.length > 0} {...rest}>
		{#each options as option (option.value)}
			<option value={option.value}>{option.words}</option>
		{/each}
	</select>
	{#each errors as error (error)}<p class="error">{error}</p>{/each}
	{#if words && errors.length === 0}<p class="soft">{words}</p>{/if}
</div>

<style>
	.field {
		display: grid;
		gap: 0.2rem;
		align-content: start;
	}

	label {
		font-weight: 600;
	}

	select {
		width: 100%;
		min-height: 44px;
		padding: 0.3rem 2rem 0.3rem 0.6rem;
		background-color: var(--sheet);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		font-size: 1.05rem;
	}

	p {
		font-size: 0.92rem;
	}

	.error {
		color: var(--off);
		font-weight: 600;
	}
</style>
