<script lang="ts">
	import type { Cause } from '$core/trace/cause';
	import { causeWords } from '$core/trace/words';

	let { cause, open = false }: { cause: Cause; open?: boolean } = $props();
	const SIGNS = { for: '+', against: '\u2212', neither: '·' } as const;
	const SAID = { for: 'speaks for it', against: 'speaks against it', neither: 'tells nothing' } as const;
	const percent = $derived(cause.probability > 0.995 ? '>99' : Math.max(1, Math.round(100 * cause.probability)));
</script>

<details {open}>
	<summary><span class="figure">{percent} %</span><span>{cause.title}</span></summary>
	{#if cause.members.length > 1}
		<p>
			These cannot be told apart yet:
			{cause.members.map((m) => `${causeWords(m.code).toLowerCase()} ${Math.round(100 * m.probability)} %`).join(', ')}.
		</p>
	{/if}
	<ul>
		{#each cause.reasons as reason, i (i)}
			<li><span class="sign figure">{SIGNS[reason.weighs]}<span class="sr-only">{SAID[reason.weighs]}:</span></span><span>{reason.words}</span></li>
		{/each}
	</ul>
	{#if cause.lookAlikes}<p class="soft">{cause.lookAlikes}</p>{/if}
</details>

<style>
	details {
		border-top: 1px solid var(--line);
		padding-bottom: 0.5rem;
	}

	summary {
		display: grid;
		grid-template-columns: 4.2rem 1fr;
		align-items: center;
		min-height: 48px;
		font-weight: 600;
		list-style: none;
	}

	summary .figure {
		font-size: 1.1rem;
	}

	summary::-webkit-details-marker {
		display: none;
	}

	details > :not(summary) {
		margin-inline-start: 4.2rem;
		margin-bottom: 0.4rem;
		font-size: 0.96rem;
	}

	li {
		display: grid;
		grid-template-columns: 1.4rem 1fr;
		padding: 0.15rem 0;
	}

	.sign {
		font-weight: 700;
	}

	@media (max-width: 560px) {
		details > :not(summary) {
			margin-inline-start: 0;
		}
	}
</style>
