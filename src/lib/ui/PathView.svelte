<script lang="ts">
	import { type PlaceResult, isRead, verdictAt } from '$core/assessment';
	import { type ArrayRecord, fuseWords, type StringRecord } from '$core/record';
	import { QUANTITY_FACTS, stringKey, type StringQuantity } from '$core/visit';
	import { afterPaint } from './after-paint.svelte';
	import PathPlace from './PathPlace.svelte';
	import StringDrawing from './StringDrawing.svelte';
	import VerdictMark from './VerdictMark.svelte';

	interface Props {
		record: ArrayRecord;
		places?: ReadonlyMap<string, PlaceResult>;
		/** Whether expected values and verdicts are shown beside what was read. */
		judged?: boolean;
		/** Quantities with their scale, reading and difference. */
		shown?: readonly StringQuantity[];
		/** Quantities of which only the mark stands. */
		marks?: readonly StringQuantity[];
		/** Codes of the likeliest cause by string. */
		suspects?: ReadonlyMap<string, readonly string[]>;
		/** Key of the place that is lit. */
		lit?: string | null;
		room?: number;
		onchoose?: (stringId: string, quantity: StringQuantity) => void;
	}
	let {
		record,
		places = new Map(),
		judged = true,
		shown = [],
		marks = [],
		suspects = new Map(),
		lit = null,
		room = 214,
		onchoose
	}: Props = $props();

	let paths = $state<HTMLElement>();
	// On a wide screen the lit row stays in sight; on a phone the field stands above the rows and stays.
	$effect(() => {
		if (lit === null || !window.matchMedia('(min-width: 901px)').matches) return;
		paths?.querySelector('.row.lit')?.scrollIntoView({ block: 'nearest' });
	});

	const UNKNOWN = '';
	/** Runs of neighbours that end at the same input. */
	const inputs = $derived.by(() => {
		const groups: { input: string; strings: StringRecord[] }[] = [];
		for (const string of record.strings) {
			const input = string.input ?? UNKNOWN;
			const last = groups.at(-1);
			if (last && last.input === input) last.strings.push(string);
			else groups.push({ input, strings: [string] });
		}
		return groups;
	});
	/** Rows that a page comes with; those of a large site follow when these are on the screen. */
	const ROWS = 40;
	/** Inputs that hold them, and the lit one. */
	const atFirst = $derived.by(() => {
		let rows = 0;
		let wanted = 0;
		inputs.forEach(({ strings }, i) => {
			if (rows < ROWS || strings.some(({ id }) => lit?.startsWith(`${id}/`))) wanted = i + 1;
			rows += strings.length;
		});
		return wanted;
	});
	const followed = afterPaint(() => inputs.length, 0);
	const drawn = $derived(inputs.slice(0, Math.max(atFirst, followed.current)));
	const typeOf = (string: StringRecord) =>
		record.moduleTypes.find((type) => type.id === string.moduleTypeId);
	const placeOf = (string: StringRecord, quantity: StringQuantity) =>
		places.get(stringKey(string.id, quantity));
</script>

<div class="paths" bind:this={paths}>
	{#if shown.length > 1}
		<div class="row heads soft" aria-hidden="true">
			<span class="name"></span>
			<span class="drawing" style:width="{room + 66}px"></span>
			<span class="stub"></span>
			{#each shown as quantity (quantity)}
				<span class="head">{QUANTITY_FACTS[quantity].words}</span>
			{/each}
		</div>
	{/if}
	{#each drawn as { input, strings }, g (g)}
		<div class="feeder" class:unknown={input === UNKNOWN} style:--rows={strings.length}>
			<div class="rows">
				{#each strings as string (string.id)}
					{@const isLit = lit?.startsWith(`${string.id}/`) ?? false}
					<div class="row" class:lit={isLit} data-string={string.label}>
						<span class="name figure">{string.label}</span>
						<span class="drawing">
							<StringDrawing
								modules={string.moduleCount}
								fuse={string.fuse}
								devices={string.devices}
								blockingDiode={string.blockingDiode}
								suspects={suspects.get(string.id) ?? []}
								lit={isLit}
								{room}
							/>
							<span class="sr-only">
								{string.moduleCount} modules, fuse {fuseWords(string.fuse)}
							</span>
						</span>
						<span class="stub" aria-hidden="true"></span>
						{#each shown as quantity (quantity)}
							<PathPlace
								mark={string.label}
								{quantity}
								place={placeOf(string, quantity)}
								{judged}
								sections={typeOf(string)?.plate.sections ?? 3}
								here={lit === stringKey(string.id, quantity)}
								onchoose={onchoose && (() => onchoose(string.id, quantity))}
							/>
						{/each}
						{#each marks as quantity (quantity)}
							{@const place = placeOf(string, quantity)}
							<span class="small">
								{#if place && isRead(place)}
									<span class="soft">{QUANTITY_FACTS[quantity].symbol}</span>
									<VerdictMark verdict={verdictAt(place)} word={false} />
								{/if}
							</span>
						{/each}
					</div>
				{/each}
			</div>
			<span class="bracket" style:--tail="{room + 66}px"
				><span class="figure">{input === UNKNOWN ? 'input unknown' : `input ${input}`}</span></span
			>
		</div>
	{/each}
</div>

<style>
	.paths {
		display: grid;
		gap: 0.9rem;
	}

	/* An input's strings out of sight are not laid out: a large site opens at once. */
	.feeder {
		content-visibility: auto;
		contain-intrinsic-size: auto calc(var(--rows) * 47px + 1.5rem);
	}

	.row {
		display: flex;
		align-items: center;
		gap: 0 0.6rem;
		min-height: 46px;
		border-bottom: 1px solid var(--line);
		padding-inline-end: 0.25rem;
	}

	.row.heads {
		min-height: 0;
		margin-bottom: -0.5rem;
		font-size: 0.92rem;
	}

	.row.heads .stub {
		visibility: hidden;
	}

	.head {
		flex: 1 1 0;
		max-width: 34rem;
		padding-inline-start: 0.25rem;
	}

	.row.lit {
		background: var(--lit);
		/* Two rows of what comes next stay in sight below it. */
		scroll-margin-block: calc(var(--sky, 0px) + 50px) 100px;
	}

	.name {
		width: 3.2ch;
		flex: none;
		font-size: 1.1rem;
		font-weight: 650;
		padding-inline-start: 0.25rem;
	}

	.drawing {
		flex: none;
		margin-inline-end: -0.6rem;
	}

	/* The leads of parallel strings meet in their input's bar. */
	.stub {
		width: 22px;
		align-self: stretch;
		flex: none;
		border-inline-end: 3px solid var(--ink);
		background: linear-gradient(var(--ink), var(--ink)) no-repeat left 50% / 100% var(--stroke);
	}

	.row:first-child .stub {
		border-image: linear-gradient(transparent 50%, var(--ink) 50%) 1;
	}

	.row:last-child .stub {
		border-image: linear-gradient(var(--ink) 50%, transparent 50%) 1;
	}

	.row:only-child .stub {
		border-color: transparent;
		border-image: none;
	}

	.unknown .stub {
		border-color: transparent;
		border-image: none;
		background-image: linear-gradient(90deg, var(--soft) 50%, transparent 50%);
		background-size: 8px var(--stroke);
		background-repeat: repeat-x;
	}

	.bracket {
		display: block;
		font-size: 0.85rem;
		color: var(--soft);
		padding: 0.15rem 0 0;
		margin-inline-start: calc(var(--tail) - 0.4rem);
		width: 5.6rem;
		text-align: end;
		white-space: nowrap;
	}

	.small {
		display: inline-flex;
		align-items: center;
		gap: 0.3rem;
		width: 2.9rem;
		flex: none;
		justify-content: end;
		font-size: 0.95rem;
	}

	@media (max-width: 900px) {
		/* Every reading names its unit; the columns are gone. */
		.row.heads {
			display: none;
		}

		.row {
			flex-wrap: wrap;
			padding-block: 0.35rem;
		}

		.small {
			order: 1;
			margin-inline-start: auto;
		}

		/* Rows are apart here, so no bar can join them. */
		.stub {
			display: none;
		}

		.drawing {
			flex: 0 1 auto;
			min-width: 0;
			margin: 0;
		}

		.bracket {
			margin-inline-start: 0;
		}
	}

	@media print {
		.feeder {
			content-visibility: visible;
			break-inside: avoid;
		}

		.row {
			min-height: 36px;
		}
	}
</style>
