<script lang="ts">
	import Minus from '@lucide/svelte/icons/minus';
	import Plus from '@lucide/svelte/icons/plus';

	interface Props {
		label: string;
		name: string;
		value: number;
		min?: number;
		max: number;
	}
	let { label, name, value = $bindable(), min = 1, max }: Props = $props();
	const id = $props.id();
	const held = (wanted: number) => Math.min(max, Math.max(min, Math.round(wanted)));
</script>

<div class="stepper">
	<label for={id}>{label}</label>
	<span>
		<button type="button" onclick={() => (value = held(value - 1))} disabled={value <= min}>
			<Minus size={22} aria-hidden="true" /><span class="sr-only">Fewer: {label}</span>
		</button>
		<input
			{id}
			{name}
			class="figure"
			inputmode="numeric"
			autocomplete="off"
			value={String(value)}
			onchange={(event) => {
				const typed = Number(event.currentTarget.value);
				value =
					Number.isFinite(typed) && event.currentTarget.value.trim() !== '' ? held(typed) : value;
				event.currentTarget.value = String(value);
			}}
			onfocus={(event) => event.currentTarget.select()}
		/>
		<button type="button" onclick={() => (value = held(value + 1))} disabled={value >= max}>
			<Plus size={22} aria-hidden="true" /><span class="sr-only">More: {label}</span>
		</button>
	</span>
</div>

<style>
	.stepper {
		display: grid;
		gap: 0.25rem;
	}

	label {
		font-weight: 600;
	}

	span {
		display: flex;
	}

	button {
		display: grid;
		place-items: center;
		width: 56px;
		height: 56px;
		border: var(--stroke) solid var(--rule);
		background: var(--sheet);
		color: var(--accent);
	}

	button:first-child {
		border-radius: 3px 0 0 3px;
	}

	button:last-child {
		border-radius: 0 3px 3px 0;
	}

	button:disabled {
		color: var(--soft);
	}

	input {
		width: 5rem;
		height: 56px;
		border: var(--stroke) solid var(--rule);
		border-inline: 0;
		background: var(--sheet);
		color: var(--ink);
		text-align: center;
		font-size: 1.5rem;
		font-weight: 650;
	}
</style>
