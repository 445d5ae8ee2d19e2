<script lang="ts">
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import { QUANTITY_FACTS } from '$core/visit';
	import type { ProposedTest } from '$core/diagnosis';
	import { exposureName, ISOLATE_FIRST } from '$core/isolation';
	import { useSpeak } from '../messages/speak-context';
	import Cautions from './Cautions.svelte';
	import TestOutcomes from './TestOutcomes.svelte';

	interface Props {
		test: ProposedTest;
		open?: boolean;
		/** Takes this test instead of the one that is proposed. */
		onchoose?: (() => void) | null;
	}
	let { test, open = false, onchoose = null }: Props = $props();
	const speak = useSpeak();
</script>

<details {open}>
	<summary
		><span>{test.title}</span><span class="exposure"
			>about {test.minutes} min, {speak(exposureName(test.exposure))}</span
		></summary
	>
	<p>{test.how}</p>
	<TestOutcomes {test} unit={QUANTITY_FACTS[test.quantity].unit} />
	<div class="caution">
		<TriangleAlert size={22} aria-hidden="true" />
		<div>
			{#if test.isolateFirst}<p><strong>{speak(ISOLATE_FIRST)}</strong></p>{/if}
			<Cautions cautions={test.cautions} />
		</div>
	</div>
	{#if onchoose}
		<button type="button" class="act-plain" onclick={onchoose}>Take this test</button>
	{/if}
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

	p {
		margin-bottom: 0.4rem;
	}

	.caution {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.7rem;
		border-inline-start: 6px solid var(--look);
		padding: 0.5rem 0.75rem;
		margin-block: 0.5rem;
		background: var(--paper);
		font-size: 0.93rem;
	}
</style>
