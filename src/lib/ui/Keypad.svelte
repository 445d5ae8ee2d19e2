<script lang="ts" module>
	const FIGURES = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '±', '0', '.'] as const;

	/** What a key does to a typed figure. */
	export type KeypadKey = (typeof FIGURES)[number] | 'back' | 'OL';

	/** The figure after a key was pressed. */
	export function afterKey(typed: string, key: KeypadKey): string {
		if (key === 'back') return typed === 'OL' ? '' : typed.slice(0, -1);
		if (key === 'OL') return 'OL';
		if (key !== '±') return typed + key;
		return typed.startsWith('-') ? typed.slice(1) : `-${typed}`;
	}
</script>

<script lang="ts">
	import CornerDownLeft from '@lucide/svelte/icons/corner-down-left';
	import Delete from '@lucide/svelte/icons/delete';

	interface Props {
		/** The meter may display “over range” for this quantity. */
		overRange?: boolean;
		onpress: (key: KeypadKey) => void;
		onenter: () => void;
	}
	let { overRange = false, onpress, onenter }: Props = $props();

	/** The field keeps the focus while a key is pressed. */
	const without = (act: () => void) => (event: PointerEvent) => {
		event.preventDefault();
		act();
	};
</script>

<!-- For fingers; a keyboard types into the field itself. -->
<div class="keypad" aria-hidden="true">
	{#each FIGURES as key (key)}
		<button type="button" tabindex="-1" onpointerdown={without(() => onpress(key))}>{key}</button>
	{/each}
	<button type="button" tabindex="-1" onpointerdown={without(() => onpress('back'))}>
		<Delete size={24} />
	</button>
	{#if overRange}
		<button type="button" tabindex="-1" class="over" onpointerdown={without(() => onpress('OL'))}
			>OL</button
		>
	{/if}
	<button type="button" tabindex="-1" class="enter" onpointerdown={without(onenter)}>
		<CornerDownLeft size={24} /> Enter
	</button>
</div>

<style>
	.keypad {
		display: none;
		grid-template-columns: repeat(3, 1fr);
		gap: 6px;
	}

	button {
		min-height: 52px;
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
		background: var(--paper);
		font-family: var(--mono);
		font-size: 1.5rem;
		display: grid;
		place-items: center;
		touch-action: manipulation;
	}

	.enter {
		grid-column: span 2;
		grid-auto-flow: column;
		justify-content: center;
		gap: 0.5rem;
		background: var(--accent);
		border-color: var(--accent);
		color: var(--on-accent);
		font-family: inherit;
		font-weight: 650;
	}

	.over + .enter {
		grid-column: auto;
	}

	@media (max-width: 900px), (pointer: coarse) {
		.keypad {
			display: grid;
		}
	}
</style>
