<script lang="ts">
	import type { HTMLInputAttributes } from 'svelte/elements';
	import { explanationOf } from '$lib/help/fields';

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
	const explanation = $derived(explanationOf(name));
	let explained = $state(false);
</script>

<div class="field" class:bad={errors.length > 0} class:odd={odd.length > 0}>
	<span class="head">
		<label for={id}>{label}</label>
		{#if explanation}
			<button
				type="button"
				class="ask"
				tabindex="-1"
				aria-expanded={explained}
				aria-controls="{id}-explained"
				aria-label="What is {label}?"
				onclick={() => (explained = !explained)}>?</button
			>
		{/if}
	</span>
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
			onkeydown={(event) => {
				rest.onkeydown?.(event);
				// Off the way of the Tab key, so that a label is typed without a stop between its figures.
				if (event.key !== 'F1' || !explanation) return;
				event.preventDefault();
				explained = !explained;
			}}
		/>
		{#if unit}<span class="unit">{unit}</span>{/if}
	</span>
	<div class="words" id="{id}-words" aria-live="polite">
		{#each errors as words (words)}<p class="error">{words}</p>{/each}
		{#each odd as words (words)}<p class="implausible">{words}</p>{/each}
		{#if explained}<p class="explained" id="{id}-explained">{explanation}</p>{/if}
		{#if help && errors.length === 0 && odd.length === 0}<p class="soft">{help}</p>{/if}
	</div>
</div>

<style>
	.field {
		display: grid;
		gap: 0.2rem;
		align-content: start;
	}

	.head {
		display: flex;
		align-items: baseline;
		justify-content: space-between;
		gap: 0.3rem;
	}

	label {
		font-weight: 600;
	}

	/* The sign is small, what can be touched is not. */
	.ask {
		position: relative;
		flex: none;
		width: 1.45rem;
		height: 1.45rem;
		border: 1px solid var(--rule);
		border-radius: 50%;
		font-size: 0.9rem;
		line-height: 1;
		color: var(--accent);
	}

	.ask::after {
		content: '';
		position: absolute;
		inset: -11px;
	}

	.explained {
		padding-inline-start: 0.5rem;
		border-inline-start: 3px solid var(--accent);
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

	.implausible {
		color: var(--look);
		font-weight: 550;
	}
</style>
