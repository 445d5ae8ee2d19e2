<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		number: number;
		title: string;
		children: Snippet;
	}
	let { number, title, children }: Props = $props();
</script>

<section>
	<h2><span>{number}</span>{title}</h2>
	{@render children()}
</section>

<style>
	section {
		padding: 1rem 0 1.2rem;
		border-top: var(--stroke) solid var(--rule);
	}

	h2 {
		display: flex;
		align-items: center;
		gap: 0.7rem;
		font-size: 1.2rem;
		margin-bottom: 0.7rem;
	}

	h2 span {
		display: grid;
		place-items: center;
		width: 1.9rem;
		height: 1.9rem;
		border-radius: 50%;
		background: var(--ink);
		color: var(--paper);
		font-size: 1rem;
	}
</style>
