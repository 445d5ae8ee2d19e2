<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** The heading, and what stands below it. */
		children: Snippet;
		/** What stands beside it: small words below a large figure each. */
		facts: readonly { readonly words: string; readonly figure: string | number }[];
	}
	let { children, facts }: Props = $props();
</script>

<div class="head">
	<div>{@render children()}</div>
	<dl>
		{#each facts as { words, figure } (words)}
			<div>
				<dt>{words}</dt>
				<dd class="figure">{figure}</dd>
			</div>
		{/each}
	</dl>
</div>

<style>
	.head {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: end;
		gap: 0.8rem 2rem;
		margin-bottom: 1.25rem;
	}

	dl {
		display: flex;
		flex-wrap: wrap;
		gap: 0.3rem 1.8rem;
	}

	dl div {
		display: flex;
		flex-direction: column-reverse;
	}

	dt {
		font-size: 0.88rem;
		color: var(--soft);
	}

	dd {
		font-size: 1.35rem;
		font-weight: 600;
		line-height: 1.15;
	}
</style>
