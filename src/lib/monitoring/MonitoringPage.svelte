<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		title: string;
		/** What the page is for. */
		lead: string;
		main: Snippet;
		side: Snippet;
		/** Below both. */
		below?: Snippet;
	}
	let { title, lead, main, side, below }: Props = $props();
</script>

<h1>{title}</h1>
<p class="soft lead">{lead}</p>
<div class="split">
	<div>{@render main()}</div>
	<aside>{@render side()}</aside>
</div>
{@render below?.()}

<style>
	h1 {
		font-size: 1.8rem;
		margin: 1.2rem 0 0.2rem;
	}

	.lead {
		max-width: 60ch;
		margin-bottom: 1rem;
	}

	.split {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 22rem;
		gap: 1.2rem 2.5rem;
		align-items: start;
	}

	.split > * {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.8rem;
	}

	aside :global(h2) {
		font-size: 1.2rem;
	}

	@media (max-width: 800px) {
		.split {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
