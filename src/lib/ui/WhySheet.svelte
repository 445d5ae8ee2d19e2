<script lang="ts">
	import {
		type PlaceResult,
		expectedAt,
		isRead,
		readingAt,
		reasonAt,
		verdictAt
	} from '$core/assessment';
	import { REVERSED_STRING } from '$core/isolation';
	import ReadingHistory from './ReadingHistory.svelte';
	import VerdictMark from './VerdictMark.svelte';
	import type { VisitSession } from '../session/visit-session.svelte';
	import { QUANTITY_FACTS } from '$core/visit';
	import { figureOf, signed } from '../text/format';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	let { place, session }: { place: PlaceResult; session: VisitSession } = $props();

	const words = $derived(QUANTITY_FACTS[place.quantity]);
	const string = $derived(
		session.document.record.strings.find((candidate) => candidate.id === place.stringId)
	);
	const show = $derived((value: number) => `${figureOf(value, words.unit)} ${words.unit}`);
	const expected = $derived(expectedAt(place));
	const reason = $derived(reasonAt(place));
	const total = $derived(expected ? expected.standardUncertainty ** 2 : 1);
</script>

<section class="why panel" aria-label="Why">
	<h2>
		Why: <span class="figure">{string?.label} {words.symbol}</span>
		{#if isRead(place)}<VerdictMark verdict={verdictAt(place)} />{/if}
	</h2>
	{#if place.quantity === 'open-circuit-voltage' && (readingAt(place)?.value ?? 0) < 0}
		<p class="notice" data-kind="error">{speak(REVERSED_STRING.text)}</p>
	{/if}
	{#if reason}<p>{reason}</p>{/if}
	{#if place.state === 'judged'}
		<p class="sum">
			<span class="figure">{show(place.reading.value)}</span> read,
			<span class="figure">{show(place.expected.value)}</span> expected:
			<span class="figure">{signed(place.distance, 1)}</span> standard uncertainties apart. In this
			visit <em>Marginal</em> begins at {session.assessment.thresholds.marginal.toFixed(1)},
			<em>Fail</em> at {session.assessment.thresholds.fail.toFixed(1)} below the expected value, at
			{session.assessment.thresholds.above.marginal.toFixed(1)} and
			{session.assessment.thresholds.above.fail.toFixed(1)} above it.
		</p>
		{#if place.counted}
			<p>
				<span class="figure"
					>{signed(place.counted.modules, 2)} ± {(2 * place.counted.modulesSigma).toFixed(2)}</span
				>
				modules: {place.counted.words}. One module gives
				<span class="figure">{show(place.expected.moduleVoltage)}</span> here and now.
			</p>
		{/if}
	{/if}
	{#if place.state === 'judged' && place.tracked}
		{@const { measured, expected, standardUncertainty, distance } = place.tracked}
		<p data-tracked>
			Operating voltage <span class="figure">{measured.toFixed(0)} V</span>: a healthy string alone
			on its tracker has its maximum at
			<span class="figure">{expected.toFixed(0)} ± {(2 * standardUncertainty).toFixed(0)} V</span>,
			<span class="figure">{signed(distance, 1)}</span> standard uncertainties apart. A resistance or
			a lost part lowers it; what all trackers of the group have in common is taken off.
		</p>
	{/if}
	{#if expected}
		<details>
			<summary class="more"
				>How sure: ± <span class="figure">{show(2 * expected.standardUncertainty)}</span></summary
			>
			<ul>
				{#each expected.contributions as part (part.words)}
					<li>
						<span class="bar" style:width="{(100 * part.standardUncertainty ** 2) / total}%"></span>
						<span>{part.words}</span>
						<span class="figure">{(2 * part.standardUncertainty).toFixed(2)}</span>
					</li>
				{/each}
			</ul>
			<p>
				Added as squares (JCGM 100, 5.1). From label and stated conditions alone, without the
				{expected.peers} other readings:
				<span class="figure"
					>{show(expected.fromConditions.value)}
					± {figureOf(2 * expected.fromConditions.standardUncertainty, words.unit)}</span
				>.
			</p>
			<p>
				The label is fitted by five parameters, carried to this light and heat (De Soto and others,
				Solar Energy 80, 2006), aged by its years, and multiplied by {string?.moduleCount} modules less
				the cable.
			</p>
		</details>
	{/if}
	<ReadingHistory {session} placeKey={place.key} unit={words.unit} />
</section>

<style>
	.why {
		padding: 0.8rem 1rem;
		display: grid;
		gap: 0.5rem;
		font-size: 0.95rem;
		line-height: 1.4;
	}

	h2 {
		display: flex;
		gap: 0.6rem;
		align-items: baseline;
		font-size: 1.05rem;
	}

	details ul li {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 0 0.75rem;
		position: relative;
		padding: 0.25rem 0 0.35rem;
	}

	.bar {
		position: absolute;
		left: 0;
		bottom: 0;
		height: 3px;
		background: var(--ink);
	}

	details p {
		margin-top: 0.5rem;
	}
</style>
