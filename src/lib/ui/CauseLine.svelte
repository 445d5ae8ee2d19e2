<script lang="ts">
	import type { Cause } from '$core/diagnosis';
	import { chance } from '../text/format';

	interface Props {
		cause: Cause;
		open?: boolean;
		/** The only cause of its string: its title stands above already. */
		alone?: boolean;
	}
	let { cause, open = false, alone = false }: Props = $props();
	const SIGNS = { for: '+', against: '\u2212', neither: '·' } as const;
	const SAID = {
		for: 'speaks for it',
		against: 'speaks against it',
		neither: 'tells nothing'
	} as const;
</script>

{#snippet body()}
	{#if cause.members.length > 1}
		<p>These readings cannot tell the {cause.members.length} apart.</p>
	{/if}
	<ul>
		{#each cause.reasons as reason, i (i)}
			<li>
				<span class="sign figure">
					{SIGNS[reason.weighs]}<span class="sr-only">{SAID[reason.weighs]}:</span>
				</span>
				<span>{reason.words}</span>
			</li>
		{/each}
	</ul>
	{#if cause.lookAlikes}<p class="soft">{cause.lookAlikes}</p>{/if}
{/snippet}

{#if alone}
	<div class="alone">{@render body()}</div>
{:else}
	<details {open}>
		<summary
			><span class="figure">{chance(cause.probability)}</span><span>{cause.title}</span></summary
		>
		<div class="body">
			{#if cause.perhaps}<p>{cause.perhaps}</p>{/if}
			{@render body()}
		</div>
	</details>
{/if}

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
		padding-block: 0.4rem;
		font-weight: 600;
		list-style: none;
	}

	summary .figure {
		font-size: 1.1rem;
	}

	summary::-webkit-details-marker {
		display: none;
	}

	.body {
		margin-inline-start: 4.2rem;
	}

	.body,
	.alone {
		display: grid;
		gap: 0.5rem;
		font-size: 0.98rem;
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
		.body {
			margin-inline-start: 0;
		}
	}
</style>
