<script lang="ts">
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import { resolve } from '$app/paths';
	import { generalCautions, REVERSED_STRING } from '$core/isolation';
	import { modulesPerDevice } from '$core/faults';
	import { isFound } from '$core/diagnosis';
	import CauseLine from '$lib/ui/CauseLine.svelte';
	import EntryPanel from '$lib/ui/EntryPanel.svelte';
	import type { Finding } from '$lib/text/findings';
	import PossibleBar from '$lib/ui/PossibleBar.svelte';
	import SuspectPath from '$lib/ui/SuspectPath.svelte';
	import { suspectSegment } from '$lib/ui/suspect-segment';
	import TestCard from '$lib/ui/TestCard.svelte';
	import TestNow from '$lib/ui/TestNow.svelte';
	import TestOutcomes from '$lib/ui/TestOutcomes.svelte';
	import { QUANTITY_FACTS } from '$core/visit';
	import type { VisitSession } from '$lib/session/visit-session.svelte';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	interface Props {
		session: VisitSession;
		finding: Finding;
		/** The test that somebody took instead of the one that is proposed. */
		testKey: string | null;
	}
	let { session, finding, testKey = $bindable() }: Props = $props();

	const { record } = $derived(session.document);
	const visit = $derived(session.document.visit.id);
	const string = $derived(finding.string);
	const test = $derived(
		finding.tests.find(({ key }) => key === testKey) ?? finding.tests[0] ?? null
	);
	const others = $derived(finding.tests.filter((other) => other !== test));
	const found = $derived(finding.causes[0] ? isFound(finding.causes[0], finding.tests) : false);
	const substrings = $derived(
		record.moduleTypes.find(({ id }) => id === string?.moduleTypeId)?.plate.sections ?? 3
	);
	const suspect = $derived(
		string &&
			suspectSegment(finding.causes, {
				modules: string.moduleCount,
				substrings,
				perDevice: modulesPerDevice(string)
			})
	);
	const ruledOut = $derived(
		session.assessment.ruledOut.filter(({ stringId }) => stringId === string?.id)
	);
	/** A member with less of the uncertainty than this brings no caution of its own. */
	const FEARED = 0.05;
	const cautions = $derived(
		generalCautions(
			finding.causes
				.flatMap(({ members }) => members)
				.filter(({ probability }) => probability > FEARED)
				.map(({ code }) => code)
		)
	);
	const shared = $derived(finding.key === 'visit');
	const suspectCode = $derived<string>(finding.causes[0]?.members[0].code ?? '');
</script>

<div class="split">
	<section class="what" aria-label="What is still possible">
		<h2>
			<span class="figure">{finding.name}</span>
			{finding.headline}
		</h2>
		{#if finding.where}<p class="where" data-where>{finding.where}</p>{/if}
		{#if finding.perhaps}<p>{finding.perhaps}</p>{/if}
		{#each cautions as caution (caution.text.code)}
			<p
				class="notice"
				data-kind={caution === REVERSED_STRING ? 'error' : undefined}
				role={caution === REVERSED_STRING ? 'alert' : undefined}
			>
				{speak(caution.text)} <span class="soft">({speak(caution.source)})</span>
			</p>
		{/each}
		<PossibleBar causes={finding.causes} />
		{#if string && suspect}
			<SuspectPath {string} {suspect} probe={found ? null : test} />
		{/if}
		{#if test && !found}
			<h3>What the next figure would mean</h3>
			<TestOutcomes {test} unit={QUANTITY_FACTS[test.quantity].unit} />
		{/if}
		{#if found}
			<div class="found" role="status">
				<p>
					<strong>Found.</strong> Every test left would tell less than it costs. Confirm it, put it right,
					and take the same readings again.
				</p>
				<a
					class="act"
					href={resolve(
						`/visits/[visit]/repair?${new URLSearchParams({ at: finding.key }).toString()}`,
						{ visit }
					)}>Record repair</a
				>
			</div>
		{/if}
	</section>

	<section class="test" aria-label="Next test" aria-busy={session.tracing}>
		{#if test}
			<h3>{testKey === null ? 'Next test' : 'Test you chose'}</h3>
			<TestNow {test} />
			<EntryPanel
				{session}
				spot={test}
				onmove={() => undefined}
				onstored={() => (testKey = null)}
				onplace={() => undefined}
				onother={() => undefined}
			/>
			{#if testKey !== null}
				<button type="button" class="act-plain" onclick={() => (testKey = null)}
					>Back to the next test</button
				>
			{/if}
		{:else if shared}
			<h3>Next test</h3>
			<p>
				Take irradiance and cell temperature again, sensor clean and in the plane of the modules.
			</p>
			<a class="act" href={resolve('/visits/[visit]/test-conditions', { visit })}
				>Conditions again</a
			>
		{:else}
			<p class="notice">
				<TriangleAlert size={20} aria-hidden="true" /> No test of the record’s places would tell more.
				What is known stands on the left.
			</p>
		{/if}
		{#if shared && test}
			<p>
				Or take irradiance and cell temperature again:
				<a href={resolve('/visits/[visit]/test-conditions', { visit })}>conditions</a>.
			</p>
		{/if}
		{#if others.length > 0}
			<details class="others">
				<summary class="more">Another test: {others.length}</summary>
				{#each others as other (other.key)}
					<TestCard test={other} onchoose={() => (testKey = other.key)} />
				{/each}
			</details>
		{/if}
	</section>

	<section class="why" aria-label="Why">
		<h3>Why</h3>
		{#each finding.causes as cause, c (cause.id)}<CauseLine
				{cause}
				open={c === 0}
				alone={finding.causes.length === 1}
			/>{/each}
		{#if ruledOut.length > 0}
			<details>
				<summary class="more">Ruled out: {ruledOut.length}</summary>
				<ul>
					{#each ruledOut as { code, words } (code)}<li>{words}</li>{/each}
				</ul>
			</details>
		{/if}
		{#if string}
			<a
				class="curve"
				href={resolve(
					`/visits/[visit]/strings/[string]?${new URLSearchParams({ fault: suspectCode }).toString()}`,
					{ visit, string: string.id }
				)}>Its curve with and without it</a
			>
		{/if}
	</section>
</div>

<style>
	.split {
		display: grid;
		grid-template: 'what test' auto 'why test' 1fr / minmax(0, 1.15fr) minmax(0, 1fr);
		gap: 0.9rem 1.6rem;
		align-items: start;
	}

	.what {
		grid-area: what;
	}

	.why {
		grid-area: why;
	}

	.test {
		grid-area: test;
	}

	.what,
	.why,
	.test {
		display: grid;
		gap: 0.7rem;
		min-width: 0;
	}

	h2 {
		font-size: 1.35rem;
		line-height: 1.3;
	}

	h2 .figure {
		display: inline-block;
		margin-inline-end: 0.4rem;
		padding: 0 0.45rem;
		border: var(--stroke) solid var(--ink);
		border-radius: 3px;
	}

	h3 {
		font-size: 1.05rem;
	}

	.where {
		font-size: 1.15rem;
		font-weight: 650;
	}

	.found {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: center;
		gap: 0.6rem 1rem;
		padding: 0.7rem 0.9rem;
		border: var(--stroke) solid var(--accent);
		background: var(--lit);
	}

	.found p {
		flex: 1 1 16rem;
	}

	details ul {
		display: grid;
		gap: 0.4rem;
		font-size: 0.95rem;
	}

	.curve {
		display: inline-flex;
		align-items: center;
		min-height: 44px;
	}

	@media (max-width: 900px) {
		.split {
			grid-template: 'what' auto 'test' auto 'why' auto / minmax(0, 1fr);
		}
	}
</style>
