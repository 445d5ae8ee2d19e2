<script lang="ts">
	import Sortable from 'sortablejs';
	import type { Attachment } from 'svelte/attachments';
	import type { StringRecord } from '$core/record';
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

	/** Dragging by the grip, by mouse, pen and finger alike. */
	const dragged: Attachment<HTMLElement> = (list) => {
		const sortable = Sortable.create(list, {
			handle: '.grip',
			draggable: 'li',
			forceFallback: true,
			fallbackOnBody: true,
			ghostClass: 'held',
			onEnd: drop
		});
		return () => sortable.destroy();
	};
	function drop({
		item,
		from,
		oldIndex = 0,
		newIndex = 0,
		...event
	}: Sortable.SortableEvent): void {
		// The list is drawn from the record alone: the row goes back, and moves when the record does.
		from.insertBefore(item, from.children[oldIndex + (oldIndex > newIndex ? 1 : 0)] ?? null);
		const { originalEvent } = event as { originalEvent?: PointerEvent };
		if (oldIndex === newIndex || !originalEvent || !isOver(from, originalEvent)) return;
		const goal = strings[newIndex + (newIndex > oldIndex ? 1 : 0)];
		onorder(strings[oldIndex]!, goal?.id ?? null);
	}
	/** Whether a row was let go over the list; anywhere else nothing changes. */
	function isOver(list: HTMLElement, { clientX, clientY }: PointerEvent): boolean {
		const { left, right, top, bottom } = list.getBoundingClientRect();
		return clientX >= left && clientX <= right && clientY >= top && clientY <= bottom;
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
	const inputAt = (index: number) => strings[index]!.input;
</script>

<ol {@attach dragged} aria-label="Strings in the order of the combiner">
	{#each strings as string, i (string.id)}
		<li class:lit={lit.has(string.id)} data-string={string.label}>
			{#if opens(i)}
				<span class="ends-at"
					>{string.input === null ? 'input unknown' : `input ${string.input}`}</span
				>
			{/if}
			<div class="row">
				<!-- By keyboard a string moves with Alt and an arrow while its button has the focus. -->
				<span class="grip" aria-hidden="true">
					<svg viewBox="0 0 12 20" width="12" height="20">
						<path d="M3 4h.01M9 4h.01M3 10h.01M9 10h.01M3 16h.01M9 16h.01" />
					</svg>
				</span>
				<button
					class="choose"
					onclick={() => onchoose(string)}
					onkeydown={(event) => nudge(event, i)}
					aria-pressed={lit.has(string.id)}
				>
					<StringMark label={string.label} colour={colours.get(string.id)!} />
					<StringDrawing
						modules={string.moduleCount}
						fuse={string.fuse}
						devices={string.devices}
						blockingDiode={string.blockingDiode}
						found={found.get(string.id) ?? []}
						room={190}
					/>
				</button>
			</div>
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

	li:global(.held) {
		opacity: 0.35;
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
		touch-action: none;
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
