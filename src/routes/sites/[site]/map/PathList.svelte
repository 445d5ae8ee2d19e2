<script lang="ts">
	import { dragHandle, dragHandleZone } from 'svelte-dnd-action';
	import type { StringRecord } from '$core/record/record';
	import StringDrawing from '$lib/ui/StringDrawing.svelte';
	import StringMark from '$lib/ui/StringMark.svelte';
	import type { StringColour } from '$lib/ui/string-colours';

	interface Props {
		strings: readonly StringRecord[];
		colours: ReadonlyMap<string, StringColour>;
		/** Numbers of modules with findings, by string. */
		found: ReadonlyMap<string, readonly number[]>;
		lit: ReadonlySet<string>;
		onchoose: (string: StringRecord) => void;
		onorder: (moved: StringRecord, before: string | null) => void;
	}
	let { strings, colours, found, lit, onchoose, onorder }: Props = $props();

	interface Item {
		readonly id: string;
	}
	const byId = $derived(new Map(strings.map((string) => [string.id, string])));
	let same: readonly Item[] = [];
	/** The same list as long as the order is the same, so that dragging is not set up anew at every change. */
	const inOrder = $derived.by(() => {
		const alike =
			same.length === strings.length && same.every(({ id }, i) => id === strings[i]!.id);
		if (!alike) same = strings.map(({ id }) => ({ id }));
		return same as Item[];
	});
	/** The order under the finger while a string is dragged; null else. */
	let held = $state.raw<Item[] | null>(null);
	const items = $derived(held ?? inOrder);

	interface Moved {
		readonly detail: { readonly items: Item[]; readonly info: { readonly id: string } };
	}
	function consider({ detail }: Moved): void {
		held = detail.items;
	}
	function finalize({ detail }: Moved): void {
		held = null;
		const at = detail.items.findIndex(({ id }) => id === detail.info.id);
		const was = strings.findIndex(({ id }) => id === detail.info.id);
		// Let go outside, or where it was: nothing changed.
		if (at < 0 || at === was) return;
		onorder(byId.get(detail.info.id)!, detail.items[at + 1]?.id ?? null);
	}
	/** Moving by keyboard beside dragging. */
	function nudge(event: KeyboardEvent, index: number): void {
		const step = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
		if (!event.altKey || step === 0) return;
		event.preventDefault();
		const string = strings[index];
		const goal = index + step;
		if (!string || goal < 0 || goal >= strings.length) return;
		onorder(string, strings[step < 0 ? goal : goal + 1]?.id ?? null);
	}
	/** An input's name stands where it begins. */
	const opens = (index: number) => index === 0 || inputAt(index) !== inputAt(index - 1);
	const inputAt = (index: number) => byId.get(items[index]!.id)?.input;
</script>

<ol
	use:dragHandleZone={{ items, flipDurationMs: 0, dropTargetStyle: {}, zoneTabIndex: -1 }}
	onconsider={consider}
	onfinalize={finalize}
	aria-label="Strings in the order of the combiner"
>
	{#each items as { id }, i (id)}
		{@const string = byId.get(id)}
		<!-- While one is dragged, its place is held by an item of no string. -->
		<li class:lit={lit.has(id)} data-string={string?.label}>
			{#if string}
				{#if opens(i)}
					<span class="ends-at"
						>{string.input === null ? 'input unknown' : `input ${string.input}`}</span
					>
				{/if}
				<div class="row">
					<span use:dragHandle aria-label="Move {string.label}" class="grip">
						<svg viewBox="0 0 12 20" width="12" height="20" aria-hidden="true">
							<path d="M3 4h.01M9 4h.01M3 10h.01M9 10h.01M3 16h.01M9 16h.01" />
						</svg>
					</span>
					<button
						class="choose"
						onclick={() => onchoose(string)}
						onkeydown={(event) => nudge(event, i)}
						aria-pressed={lit.has(id)}
					>
						<StringMark label={string.label} colour={colours.get(id)!} />
						<StringDrawing
							modules={string.moduleCount}
							fuse={string.fuse}
							devices={string.devices}
							blockingDiode={string.blockingDiode}
							found={found.get(id) ?? []}
							room={190}
						/>
					</button>
				</div>
			{/if}
		</li>
	{/each}
</ol>

<style>
	/* Rows out of sight are not laid out: a hundred strings open at once. */
	li {
		background: var(--paper);
		min-height: 47px;
		content-visibility: auto;
		contain-intrinsic-size: auto 47px;
	}

	.ends-at {
		display: block;
		padding: 0.5rem 0 0.1rem 2.2rem;
		font-size: 0.88rem;
		color: var(--soft);
	}

	.row {
		display: flex;
		align-items: center;
		border-bottom: 1px solid var(--line);
	}

	.lit .row {
		background: var(--lit);
	}

	.grip {
		display: grid;
		place-items: center;
		width: 34px;
		height: 44px;
		cursor: grab;
		color: var(--soft);
	}

	.grip svg {
		stroke: currentcolor;
		stroke-width: 3;
		stroke-linecap: round;
	}

	.choose {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		flex: 1;
		min-width: 0;
		min-height: 46px;
		text-align: start;
	}

	.grip:hover {
		color: var(--accent);
	}
</style>
