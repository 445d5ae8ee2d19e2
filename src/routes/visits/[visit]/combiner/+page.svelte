<script lang="ts">
	import { isRead, readingAt, verdictAt } from '$core/assessment';
	import { resolve } from '$app/paths';
	import { keyOf, type Place, placeKey, type Quantity, QUANTITY_FACTS } from '$core/visit';
	import { isAcBranch } from '$core/record';
	import { closingProblem } from '$core/isolation';
	import { fusedPoles, measurementPointAt } from '$core/visit-plan';
	import EntryPanel from '$lib/ui/EntryPanel.svelte';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import VerdictMark from '$lib/ui/VerdictMark.svelte';
	import { readingFigure } from '$lib/text/reading-figure';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	const session = useVisit();
	const record = $derived(session.document.record);
	const strings = $derived(record.strings.filter((string) => !isAcBranch(string)));

	/** One pass: everything of a string before the next one. */
	const rows = $derived(
		strings.map((string) => ({
			string,
			spots: [
				measurementPointAt(record, { kind: 'string', string: string.id }, 'open-circuit-voltage'),
				...(string.fuse === null
					? []
					: fusedPoles(record, string).map((pole) =>
							measurementPointAt(
								record,
								{ kind: 'fuse', string: string.id, pole },
								'fuse-resistance'
							)
						)),
				measurementPointAt(record, { kind: 'string', string: string.id }, 'residual-current')
			],
			problem: closingProblem(string, session.places)
		}))
	);
	const spots = $derived(rows.flatMap((row) => row.spots));
	let index = $state(0);
	const spot = $derived(spots[index] ?? null);
	const lit = $derived(spot && keyOf(spot));
	const open = $derived(rows.filter(({ problem }) => problem !== null).length);

	function place(where: Place, quantity: Quantity): void {
		const key = placeKey(where, quantity);
		index = Math.max(
			0,
			spots.findIndex((candidate) => keyOf(candidate) === key)
		);
	}
	const move = (by: 1 | -1) => {
		index = Math.min(spots.length - 1, Math.max(0, index + by));
	};
	/** To the same quantity of the next string. */
	function another(): void {
		const next = spots.findIndex(
			(candidate, i) => i > index && candidate.quantity === spot?.quantity
		);
		index = next < 0 ? 0 : next;
	}
</script>

<svelte:head><title>Combiner check · {session.document.site.name} · Zembo</title></svelte:head>

{#if rows.length === 0}
	<div class="page">
		<h1>Combiner check</h1>
		<p>The record of this visit holds no DC strings.</p>
	</div>
{:else}
	<div class="check">
		<section>
			<h1>Combiner check</h1>
			<p class="soft">
				One pass: polarity and volts, fuse, clamp, string by string, with the fuses out. Nothing is
				closed while a string is reversed or out of its band.
			</p>
			<p class="notice" data-kind={open === 0 ? 'done' : 'error'} role="status">
				{#if open === 0}
					Polarity and volts of every string stand in their band.
					<a href={resolve('/visits/[visit]/isolation', { visit: session.document.visit.id })}
						>Back on, step by step</a
					>
				{:else}
					<strong>Close nothing:</strong>
					{open} of {rows.length} strings are not read, reversed or out of band.
				{/if}
			</p>
			<ul>
				{#each rows as { string, spots: own, problem } (string.id)}
					<li data-string={string.label} data-closed={problem === null}>
						<strong class="figure">{string.label}</strong>
						<div class="cells">
							{#each own as one (keyOf(one))}
								{@const key = keyOf(one)}
								{@const limit = session.limits.get(key)}
								{@const result = session.places.get(key)}
								{@const reading = limit?.reading ?? (result ? readingAt(result) : null)}
								{@const { symbol } = QUANTITY_FACTS[one.quantity]}
								<button
									type="button"
									class:here={lit === key}
									onclick={() => place(one.place, one.quantity)}
								>
									<span class="soft"
										>{symbol}{one.place.kind === 'fuse'
											? ` ${one.place.pole === 'positive' ? '+' : '−'}`
											: ''}</span
									>
									<span class="figure">{reading ? readingFigure(reading) : '—'}</span>
									{#if limit}<VerdictMark verdict={limit.verdict} word={false} />
									{:else if result && isRead(result)}<VerdictMark
											verdict={verdictAt(result)}
											word={false}
										/>{/if}
								</button>
							{/each}
						</div>
						<span class="said"
							>{problem ? speak(problem) : 'voltage and polarity within tolerance'}</span
						>
					</li>
				{/each}
			</ul>
		</section>
		<aside>
			{#if spot}
				<EntryPanel
					{session}
					{spot}
					onmove={move}
					onstored={(key) => lit === key && move(1)}
					onplace={place}
					onother={another}
					following={spots.slice(index).filter(({ quantity }) => quantity === spot.quantity)}
				/>
			{/if}
		</aside>
	</div>
{/if}

<style>
	h1 {
		font-size: 1.6rem;
	}

	.check {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 19.5rem;
		align-items: start;
	}

	section {
		padding: 1rem clamp(0.75rem, 1.5vw, 1.25rem) 2rem;
	}

	aside {
		padding: 0.9rem;
		border-inline-start: 1px solid var(--line);
		min-height: calc(100dvh - 120px);
	}

	.notice {
		margin: 0.8rem 0;
	}

	li {
		display: grid;
		grid-template-columns: 3rem minmax(0, 1fr);
		gap: 0.1rem 0.8rem;
		align-items: center;
		padding: 0.4rem 0.3rem;
		border-bottom: 1px solid var(--line);
	}

	.cells {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}

	.cells button {
		display: flex;
		align-items: center;
		gap: 0.6rem;
		min-height: 46px;
		min-width: 10.5rem;
		padding: 0 0.7rem;
		border: 1px solid var(--line);
		border-radius: 3px;
		background: var(--sheet);
		justify-content: space-between;
	}

	.cells .here {
		outline: 3px solid var(--accent);
		background: var(--lit);
	}

	.said {
		grid-column: 2;
		font-size: 0.95rem;
		line-height: 1.35;
	}

	[data-closed='false'] .said {
		color: var(--off);
		font-weight: 600;
	}

	@media (max-width: 900px) {
		.check {
			grid-template-columns: minmax(0, 1fr);
		}

		aside {
			order: -1;
			border: 0;
			min-height: 0;
			padding: 0.6rem 0.75rem;
		}
	}
</style>
