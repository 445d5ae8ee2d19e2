<script lang="ts">
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import type { ProposedTest } from '$core/diagnosis';
	import { exposureName, ISOLATE_FIRST } from '$core/isolation';
	import { useSpeak } from '../messages/speak-context';
	import Cautions from './Cautions.svelte';

	let { test }: { test: ProposedTest } = $props();
	const speak = useSpeak();
	const rest = $derived(test.cautions.slice(1));
</script>

<!-- The test that is taken now: what to do, and its cautions, before the figure is entered. -->
<div class="now" data-test={test.key}>
	<h4>{test.title}</h4>
	<p class="cost">about {test.minutes} min, {speak(exposureName(test.exposure))}</p>
	<p>{test.how}</p>
	<div class="caution">
		<TriangleAlert size={22} aria-hidden="true" />
		<div>
			{#if test.isolateFirst}<p><strong>{speak(ISOLATE_FIRST)}</strong></p>{/if}
			<Cautions cautions={test.cautions.slice(0, 1)} />
			{#if rest.length > 0}
				<details>
					<summary class="more">{rest.length} more</summary>
					<Cautions cautions={rest} />
				</details>
			{/if}
		</div>
	</div>
</div>

<style>
	.now {
		display: grid;
		gap: 0.5rem;
	}

	h4 {
		font-size: 1.3rem;
		font-weight: 680;
		line-height: 1.25;
	}

	.cost {
		font-weight: 600;
	}

	.caution {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0.7rem;
		border-inline-start: 6px solid var(--look);
		padding: 0.5rem 0.75rem;
		background: var(--sheet);
		font-size: 0.93rem;
	}

	.caution :global(p + p) {
		margin-top: 0.35rem;
	}
</style>
