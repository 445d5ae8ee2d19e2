<script lang="ts">
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import type { ProposedTest } from '$core/diagnosis';
	import { EXPOSURE_WORDS } from '../text/exposure-words';

	let { test }: { test: ProposedTest } = $props();
	const first = $derived(test.cautions[0]);
	const rest = $derived(test.cautions.slice(1));
</script>

<!-- The test that is taken now: what to do, and its cautions, before the figure is entered. -->
<div class="now" data-test={test.key}>
	<h4>{test.title}</h4>
	<p class="cost">about {test.minutes} min, {EXPOSURE_WORDS[test.exposure]}</p>
	<p>{test.how}</p>
	<div class="caution">
		<TriangleAlert size={22} aria-hidden="true" />
		<div>
			{#if test.makeSafeFirst}<p><strong>{test.makeSafeFirst}</strong></p>{/if}
			{#if first}<p>{first.words} <span class="soft">({first.source})</span></p>{/if}
			{#if rest.length > 0}
				<details>
					<summary class="more">{rest.length} more</summary>
					{#each rest as caution (caution.words)}
						<p>{caution.words} <span class="soft">({caution.source})</span></p>
					{/each}
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

	.caution p + p {
		margin-top: 0.35rem;
	}
</style>
