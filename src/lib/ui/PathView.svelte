<script lang="ts">
	import type { ArrayRecord, StringRecord } from '$core/circuit/record';
	import type { PlaceVerdict } from '$core/expectation/expect';
	import { placeKey } from '$core/expectation/standing';
	import type { Quantity } from '$core/expectation/visit';
	import BandScale from './BandScale.svelte';
	import StringDrawing from './StringDrawing.svelte';
	import VerdictMark from './VerdictMark.svelte';
	import { figureOf, QUANTITY_WORDS, signed } from './words';

	interface Props {
		record: ArrayRecord;
		places?: ReadonlyMap<string, PlaceVerdict>;
		/** Quantities with their scale, reading and difference. */
		shown?: readonly Quantity[];
		/** Quantities of which only the mark stands. */
		marks?: readonly Quantity[];
		/** Codes of the likeliest cause by string. */
		suspects?: ReadonlyMap<string, readonly string[]>;
		/** Key of the place that is lit. */
		lit?: string | null;
		room?: number;
		onchoose?: (stringId: string, quantity: Quantity) => void;
	}
	let {
		record,
		places = new Map(),
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
	const typeOf = (string: StringRecord) =>
		record.moduleTypes.find((type) => type.id === string.moduleTypeId);
	const placeOf = (string: StringRecord, quantity: Quantity) =>
		places.get(placeKey(string.id, quantity));

	/** The difference as it stands behind a reading: percent, and modules and sections for volts. */
	function differenceWords(place: PlaceVerdict): string {
		if (place.missing && place.reading) return place.missing;
		if (place.difference === null) return '';
		const { unit } = QUANTITY_WORDS[place.quantity];
		const amount = `${signed(place.difference, unit === 'V' ? 1 : 2)} ${unit}`;
		const percent = place.relative === null ? '' : ` ${signed(100 * place.relative, 1)} %`;
		return amount + percent;
	}
</script>

<div class="paths" bind:this={paths}>
	{#if shown.length > 1}
		<div class="row heads soft" aria-hidden="true">
			<span class="name"></span>
			<span class="drawing" style:width="{room + 66}px"></span>
			<span class="stub"></span>
			{#each shown as quantity (quantity)}
				<span class="head">{QUANTITY_WORDS[quantity].name}</span>
			{/each}
		</div>
	{/if}
	{#each inputs as { input, strings }, g (g)}
		<div class="feeder" class:unknown={input === UNKNOWN}>
			<div class="rows">
				{#each strings as string (string.id)}
					{@const isLit = lit?.startsWith(`${string.id}/`) ?? false}
					<div class="row" class:lit={isLit} data-string={string.label}>
						<span class="name figure">{string.label}</span>
						<span class="drawing">
							<StringDrawing
								modules={string.moduleCount}
								fuse={string.fuse}
								suspects={suspects.get(string.id) ?? []}
								lit={isLit}
								{room}
							/>
							<span class="sr-only">
								{string.moduleCount} modules, {string.fuse ? 'with a fuse' : 'no fuse'}
							</span>
						</span>
						<span class="stub" aria-hidden="true"></span>
						{#each shown as quantity (quantity)}
							{@const place = placeOf(string, quantity)}
							{@const words = QUANTITY_WORDS[quantity]}
							<svelte:element
								this={onchoose ? 'button' : 'div'}
								type={onchoose ? 'button' : undefined}
								class="place"
								data-place={quantity}
								class:here={lit === placeKey(string.id, quantity)}
								onclick={onchoose && (() => onchoose(string.id, quantity))}
								role={onchoose ? 'button' : undefined}
								aria-label={onchoose ? `${string.label} ${words.name}` : undefined}
							>
								<span class="scale">
									{#if place}<BandScale
											{place}
											sections={typeOf(string)?.plate.sections ?? 3}
										/>{/if}
								</span>
								<span class="value figure">
									{#if place?.reading}
										{figureOf(place.reading.value, words.unit)} {words.unit}
									{:else if place?.expected}
										<span class="soft wanted"
											>{figureOf(place.expected.value, words.unit)} {words.unit}?</span
										>
									{:else}
										<span class="soft">—</span>
									{/if}
								</span>
								<span class="said">
									{#if place?.verdict}<VerdictMark verdict={place.verdict} />{/if}
									{#if place?.reading}
										<span class="by figure">{differenceWords(place)}</span>
										{#if place.counted && place.verdict !== 'fits'}
											<span class="counted">{place.counted.words}</span>
										{/if}
									{/if}
								</span>
							</svelte:element>
						{/each}
						{#each marks as quantity (quantity)}
							{@const place = placeOf(string, quantity)}
							<span class="small">
								{#if place?.verdict}
									<span class="soft">{QUANTITY_WORDS[quantity].symbol}</span>
									<VerdictMark verdict={place.verdict} word={false} />
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

	.place {
		display: grid;
		grid-template-columns: 124px 5.6rem minmax(8rem, auto);
		align-items: center;
		gap: 0 0.7rem;
		min-height: 46px;
		padding: 0 0.25rem;
		text-align: start;
		flex: 1 1 0;
		max-width: 34rem;
		color: inherit;
	}

	button.place:hover {
		background: var(--well);
	}

	.place.here {
		outline: 2px solid var(--accent);
		outline-offset: -2px;
	}

	.value {
		text-align: end;
		font-size: 1.08rem;
		font-weight: 600;
	}

	.wanted {
		font-weight: 400;
	}

	.said {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 0.6rem;
		font-size: 0.95rem;
		line-height: 1.25;
	}

	.counted {
		flex-basis: 100%;
		font-weight: 600;
	}

	.by {
		color: var(--soft);
		font-size: 0.86rem;
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

		.place {
			grid-template-columns: 124px 5.6rem minmax(0, 1fr);
			flex-basis: 100%;
			max-width: none;
		}

		.place {
			order: 2;
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

	@media (max-width: 560px) {
		.place {
			grid-template-columns: 124px 1fr;
		}

		.value {
			text-align: start;
		}

		.said {
			grid-column: 1 / -1;
		}
	}

	@media print {
		.feeder {
			break-inside: avoid;
		}

		.row {
			min-height: 36px;
		}
	}
</style>
