<script lang="ts">
	import { centreCurrent } from './centre-current';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';

	interface Props {
		site: { readonly id: string; readonly name: string };
	}
	let { site }: Props = $props();

	const here = $derived(page.url.pathname);
	const rooms = $derived([
		{ words: 'Site', href: resolve('/sites/[site]', { site: site.id }), exact: true },
		{ words: 'Record', href: resolve('/sites/[site]/array-record', { site: site.id }) },
		{ words: 'Map', href: resolve('/sites/[site]/map', { site: site.id }) },
		{ words: 'Diagram', href: resolve('/sites/[site]/diagram', { site: site.id }) },
		{ words: 'Checks', href: resolve('/sites/[site]/checks', { site: site.id }) },
		{ words: 'Monitoring', href: resolve('/sites/[site]/monitoring', { site: site.id }) },
		{ words: 'History', href: resolve('/sites/[site]/history', { site: site.id }) },
		{ words: 'Revisions', href: resolve('/sites/[site]/revisions', { site: site.id }) }
	]);
	let row = $state<HTMLElement>();
	$effect(() => {
		void here;
		centreCurrent(row);
	});
</script>

<nav class="no-print" aria-label="Rooms of {site.name}">
	<span class="name">{site.name}</span>
	<ul bind:this={row}>
		{#each rooms as { words, href, exact } (words)}
			<li>
				<!-- eslint-disable svelte/no-navigation-without-resolve -- resolved above -->
				<a
					{href}
					aria-current={(exact ? here === href : here.startsWith(href)) ? 'page' : undefined}
					>{words}</a
				>
				<!-- eslint-enable svelte/no-navigation-without-resolve -->
			</li>
		{/each}
	</ul>
</nav>

<style>
	nav {
		display: flex;
		align-items: center;
		gap: 0 1.5rem;
		padding: 0 clamp(0.75rem, 2vw, 1.5rem);
		border-bottom: 1px solid var(--line);
		background: var(--well);
	}

	.name {
		font-weight: 650;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}

	ul {
		display: flex;
		overflow-x: auto;
		scrollbar-width: none;
	}

	a {
		display: inline-flex;
		align-items: center;
		min-height: 46px;
		padding: 0 0.8rem;
		color: var(--ink);
		text-decoration: none;
		border-bottom: 3px solid transparent;
	}

	a:hover {
		text-decoration: underline;
	}

	a[aria-current] {
		font-weight: 650;
		border-color: var(--accent);
	}

	@media (max-width: 760px) {
		.name {
			display: none;
		}

		nav {
			padding: 0;
		}
	}
</style>
