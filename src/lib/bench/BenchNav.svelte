<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';

	interface Props {
		pile: { readonly id: string; readonly name: string };
	}
	let { pile }: Props = $props();
	const stops = $derived([
		{ path: resolve('/bench/piles/[pile]', { pile: pile.id }), words: 'Test' },
		{ path: resolve('/bench/piles/[pile]/group', { pile: pile.id }), words: 'Group' },
		{ path: resolve('/bench/piles/[pile]/mix', { pile: pile.id }), words: 'Mix' },
		{ path: resolve('/bench/piles/[pile]/stickers', { pile: pile.id }), words: 'Stickers' }
	]);
</script>

<nav class="no-print" aria-label="The pile">
	<p><a href={resolve('/bench')}>Bench</a> / <strong>{pile.name}</strong></p>
	<ul>
		{#each stops as { path, words } (path)}
			<li>
				<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved above -->
				<a href={path} aria-current={page.url.pathname === path ? 'page' : undefined}>{words}</a>
			</li>
		{/each}
	</ul>
</nav>

<style>
	nav {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.4rem 2rem;
		padding-bottom: 0.6rem;
		border-bottom: 1px solid var(--line);
	}

	ul {
		display: flex;
		flex-wrap: wrap;
	}

	li a {
		display: inline-flex;
		align-items: center;
		min-height: 44px;
		padding: 0 1rem;
		border: var(--stroke) solid var(--rule);
		margin-left: -1px;
		font-weight: 600;
		text-decoration: none;
		color: var(--ink);
	}

	[aria-current='page'] {
		background: var(--ink);
		color: var(--paper);
	}
</style>
