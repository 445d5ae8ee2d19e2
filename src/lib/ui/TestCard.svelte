<script lang="ts">
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import type { Exposure } from '$core/rules/cautions';
	import type { ProposedTest } from '$core/trace/next-tests';

	let { test, open = false }: { test: ProposedTest; open?: boolean } = $props();
	const EXPOSURE_WORDS: Readonly<Record<Exposure, string>> = {
		'closed-cover': 'covers closed',
		'open-cover-live': 'cover open, live',
		'open-cover-dead': 'cover open: prove dead first',
		'joint-dead': 'joint opened: prove dead first',
		roof: 'on the roof'
	};
</script>

<details {open}>
	<summary
		><span>{test.title}</span><span class="exposure">{EXPOSURE_WORDS[test.exposure]}</span></summary
	>
	<p>{test.how}</p>
	<p class="outcomes">{test.outcomes}</p>
	<div class="caution">
		<TriangleAlert size={22} aria-hidden="true" />
		<div>
			{#if test.makeSafeFirst}<p><strong>{test.makeSafeFirst}</strong></p>{/if}
			{#each test.cautions as caution (caution.words)}
				<p>{caution.words} <span class="soft">({caution.source})</span></p>
			{/each}
		</div>
	</div>
</details>

<style>
	details {
		border-top: 1px solid var(--line);
		padding-bottom: 0.5rem;
	}

	summary {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: center;
		gap: 0 0.8rem;
		min-height: 48px;
		padding-block: 0.4rem;
		font-weight: 600;
		color: var(--accent);
		list-style: none;
	}

	summary span:first-child {
		text-decoration: underline;
		text-underline-offset: 0.2em;
	}

	summary::-webkit-details-marker {
		display: none;
	}

	.exposure {
		font-size: 0.85rem;
		font-weight: 550;
		color: var(--ink);
		border: var(--stroke) solid var(--rule);
		padding: 0.05rem 0.45rem;
	}

	.outcomes {
		margin: 0.4rem 0;
		font-weight: 550;
	}

	.caution {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.7rem;
		border-inline-start: 6px solid var(--look);
		padding: 0.5rem 0.75rem;
		background: var(--paper);
		font-size: 0.93rem;
	}

	.caution p + p {
		margin-top: 0.35rem;
	}
</style>
