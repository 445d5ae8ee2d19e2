<script lang="ts">
	import type { Snippet } from 'svelte';
	import { page } from '$app/state';

	interface Props {
		/** For one who does not see it. */
		label: string;
		stops: readonly { readonly path: string; readonly words: string }[];
		/** Where one is. */
		crumb: Snippet;
	}
	let { label, stops, crumb }: Props = $props();
	const here = $derived(page.url.pathname);
	const isHere = (path: string) =>
		here === path || (path !== stops[0]!.path && here.startsWith(`${path}/`));
</script>

<nav class="no-print" aria-label={label}>
	<p>{@render crumb()}</p>
	<ul>
		{#each stops as { path, words } (path)}
			<li>
				<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved by the caller -->
				<a href={path} aria-current={isHere(path) ? 'page' : undefined}>{words}</a>
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
	@media (max-width: 700px) {
		nav {
			flex-wrap: nowrap;
			align-items: stretch;
			flex-direction: column;
		}

		ul {
			flex-wrap: nowrap;
			overflow-x: auto;
			scrollbar-width: none;
			padding-inline-start: 1px;
		}

		li a {
			white-space: nowrap;
		}
	}
</style>
