<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';

	interface Props extends Omit<HTMLInputAttributes, 'value'> {
		label: string;
		name: string;
		value: string;
		/** Behind the field, for example "V". */
		unit?: string;
		help?: string;
		errors?: readonly string[] | undefined;
		/** What is odd and does not block. */
		odd?: readonly string[];
		/** Figures stand in the mono face. */
		figures?: boolean;
	}
	let {
		label,
		name,
		value = $bindable(),
		unit = '',
		help = '',
		errors = [],
		odd = [],
		figures = false,
		...rest
	}: Props = $props();
	const id = $props.id();
</script>

<div class="field" class:bad={errors.length > 0} class:odd={odd.length > 0}>
	<label for={id}>{label}</label>
	<span class="entry">
		<input
			{id}
			{name}
			bind:value
			class:figure={figures}
			inputmode={figures ? 'decimal' : undefined}
			autocomplete="off"
			aria-invalid={errors.length > 0}
			aria-describedby="{id}-words"
			{...rest}
		/>
		{#if unit}<span class="unit">{unit}</span>{/if}
	</span>
	<div class="words" id="{id}-words" aria-live="polite">
		{#each errors as words (words)}<p class="error">{words}</p>{/each}
		{#each odd as words (words)}<p class="oddity">{words}</p>{/each}
		{#if help && errors.length === 0 && odd.length === 0}<p class="soft">{help}</p>{/if}
	</div>
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

	.entry {
		display: flex;
		align-items: baseline;
		gap: 0.4rem;
	}

	input {
		width: 100%;
		min-height: 44px;
		padding: 0.3rem 0.6rem;
		background: var(--sheet);
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		font-size: 1.1rem;
	}

	.unit {
		min-width: 2.2em;
		color: var(--soft);
	}

	.bad input {
		border-color: var(--off);
		border-width: 2px;
	}

	.odd input {
		border-color: var(--look);
		border-style: dashed;
		border-width: 2px;
	}

	.words {
		font-size: 0.92rem;
		line-height: 1.35;
		max-width: 40ch;
	}

	.error {
		color: var(--off);
		font-weight: 600;
	}

	.oddity {
		color: var(--look);
		font-weight: 550;
	}
</style>
