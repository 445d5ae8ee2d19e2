<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { replaceState } from '$app/navigation';
	import { WHO_DECIDES } from '$core/isolation';
	import { knownWords } from '$core/diagnosis';
	import { remarkWords, unexplainedWords } from '$lib/text/answer-words';
	import PlaneQuestions from '$lib/ui/PlaneQuestions.svelte';
	import { findingsOf } from '$lib/text/findings';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import { chance, count } from '$lib/text/format';
	import Free from './Free.svelte';
	import Guided from './Guided.svelte';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	const session = useVisit();
	const findings = $derived(findingsOf(session.assessment, session.document.record));
	const healthy = $derived(
		session.assessment.causes.find((cause) => cause.members[0].code === 'healthy')
	);
	const quiet = $derived(
		session.document.record.strings.filter(
			(string) => !findings.some((finding) => finding.string?.id === string.id)
		)
	);

	let free = $state(page.url.searchParams.get('mode') === 'free');
	let chosen = $state(page.url.searchParams.get('at'));
	let testKey = $state<string | null>(null);
	const finding = $derived(findings.find(({ key }) => key === chosen) ?? findings[0] ?? null);

	/** The address says what is on the screen, so that it can be sent on. */
	function keepAddress(): void {
		const query = new URLSearchParams();
		if (free) query.set('mode', 'free');
		if (chosen) query.set('at', chosen);
		const address = resolve('/visits/[visit]/diagnosis', { visit: session.document.visit.id });
		// eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above
		replaceState(`${address}${query.size > 0 ? `?${query.toString()}` : ''}`, {});
	}

	function show(key: string): void {
		chosen = key;
		testKey = null;
		free = false;
		keepAddress();
	}

	function take(key: string, test: string): void {
		show(key);
		testKey = test;
	}

	function setFree(value: boolean): void {
		free = value;
		keepAddress();
	}
</script>

<svelte:head><title>Diagnosis · {session.document.site.name} · Zembo</title></svelte:head>

<div class="page">
	{#if session.assessment.noCauses}
		<h1>Nothing to diagnose yet</h1>
		<p>{session.assessment.noCauses}</p>
		<p class="next">
			<a
				class="act"
				href={resolve('/visits/[visit]/measurements', { visit: session.document.visit.id })}
				>To the readings</a
			>
		</p>
	{:else}
		<header>
			<h1>
				{#if findings.length === 0}Nothing wrong that these readings can show
				{:else}Diagnosis{/if}
			</h1>
			{#if findings.length > 0}
				<div class="modes" role="group" aria-label="How to trace">
					<button type="button" aria-pressed={!free} onclick={() => setFree(false)}
						>One test at a time</button
					>
					<button type="button" aria-pressed={free} onclick={() => setFree(true)}
						>All causes and tests</button
					>
				</div>
			{/if}
		</header>
		{#each session.assessment.warnings as warning (warning)}<p class="notice">{warning}</p>{/each}
		<PlaneQuestions {session} />
		{#each remarkWords(session.assessment, session.document.record) as words (words)}
			<p class="notice" data-remark>{words}</p>
		{/each}

		{#if findings.length > 0 && !free}
			<div class="findings" role="group" aria-label="Findings">
				{#each findings as one (one.key)}
					<button
						type="button"
						aria-pressed={finding?.key === one.key}
						data-choose={one.name}
						onclick={() => show(one.key)}
					>
						<strong class="figure">{one.name}</strong>
						<span>{knownWords(one.causes[0]!.members[0].code)}</span>
						<span class="figure">{chance(one.causes[0]?.probability ?? 0)}</span>
					</button>
				{/each}
			</div>
			{#if finding}
				{#key finding.key}
					<Guided {session} {finding} bind:testKey />
				{/key}
			{/if}
		{:else if findings.length > 0}
			<Free {session} {findings} ontake={take} />
		{/if}

		<footer>
			<p class="soft">
				Probabilities from all readings together; comparable strings are judged by each other.
				Probability is not proof. That nothing at all is wrong:
				<span class="figure"
					>{(100 * (healthy?.probability ?? 0)).toFixed(
						healthy && healthy.probability > 0.1 ? 0 : 1
					)} %</span
				>.
				{#if quiet.length > 0}{count(quiet.length, 'string')} without a cause above one in seven:
					<span class="figure">{quiet.map(({ label }) => label).join(' ')}</span>.{/if}
				{speak(WHO_DECIDES)}
			</p>
			{#if session.assessment.unexplained.length > 0}
				<h2>Readings that nothing found explains</h2>
				<ul class="untested" data-unexplained>
					{#each session.assessment.unexplained as one (one.readingId)}
						<li>{unexplainedWords(one, session.document.record)}</li>
					{/each}
				</ul>
			{/if}
			<h2>Not tested</h2>
			<ul class="untested">
				{#each session.assessment.untested as words (words)}<li>{words}</li>{/each}
			</ul>
		</footer>
	{/if}
</div>

<style>
	header {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: center;
		gap: 0.5rem 1.5rem;
		margin-bottom: 0.8rem;
	}

	h1 {
		font-size: 1.8rem;
	}

	.next {
		margin-top: 1rem;
	}

	.notice {
		margin-bottom: 0.8rem;
	}

	.modes {
		display: flex;
		border: var(--stroke) solid var(--rule);
	}

	.modes button {
		min-height: 44px;
		padding: 0 0.9rem;
		font-weight: 600;
	}

	.modes button[aria-pressed='true'] {
		background: var(--ink);
		color: var(--sheet);
	}

	.findings {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin-bottom: 0.9rem;
	}

	.findings button {
		display: flex;
		align-items: center;
		gap: 0.5rem;
		min-height: 48px;
		padding: 0.3rem 0.8rem 0.3rem 0.4rem;
		border: var(--stroke) solid var(--rule);
		background: var(--sheet);
		text-align: start;
	}

	.findings strong {
		padding: 0.1rem 0.45rem;
		border: var(--stroke) solid var(--ink);
		border-radius: 3px;
	}

	.findings button[aria-pressed='true'] {
		background: var(--lit);
		border-color: var(--accent);
		box-shadow: inset 0 0 0 1.5px var(--accent);
	}

	footer {
		margin-top: 1.6rem;
		max-width: 90ch;
	}

	h2 {
		margin: 1rem 0 0.3rem;
		font-size: 1.05rem;
	}

	.untested {
		list-style: square;
		padding-inline-start: 1.2rem;
	}

	@media (max-width: 560px) {
		.findings {
			flex-wrap: nowrap;
			overflow-x: auto;
			padding-bottom: 0.3rem;
		}

		.findings button {
			flex: none;
			max-width: 78vw;
		}

		.modes {
			width: 100%;
		}

		.modes button {
			flex: 1;
			padding: 0 0.4rem;
		}
	}
</style>
