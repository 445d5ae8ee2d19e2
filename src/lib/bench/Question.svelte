<script lang="ts">
	import type { Snippet } from 'svelte';
	import { resolve } from '$app/paths';

	interface Props {
		title: string;
		lead: string;
		asked: Snippet;
		answer: Snippet;
	}
	let { title, lead, asked, answer }: Props = $props();
</script>

<svelte:head><title>{title} · Bench · Zembo</title></svelte:head>

<div class="page">
	<p class="no-print"><a href={resolve('/bench')}>Bench</a></p>
	<h1>{title}</h1>
	<p class="soft lead">{lead}</p>
	<div class="work">
		<form class="asked" onsubmit={(event) => event.preventDefault()}>{@render asked()}</form>
		<div class="answer" aria-live="polite">{@render answer()}</div>
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
		margin: 0.4rem 0;
	}

	.lead {
		max-width: 70ch;
		margin-bottom: 1.2rem;
	}

	.work {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 1.5rem 3rem;
		align-items: start;
	}

	.asked,
	.answer {
		display: grid;
		gap: 0.8rem;
		min-width: 0;
	}

	.asked :global(h2),
	.answer :global(h2) {
		font-size: 1.15rem;
		margin-top: 0.4rem;
	}

	@media (max-width: 800px) {
		.work {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
