<script lang="ts">
	import '../app.css';
	import { onMount, type Snippet } from 'svelte';
	import { resolve } from '$app/paths';
	import { navigating, page } from '$app/state';
	import HelpHere from '$lib/help/HelpHere.svelte';
	import ModeSwitch from '$lib/ui/ModeSwitch.svelte';

	let { children }: { children: Snippet } = $props();

	/** A site and a visit have rooms of their own, which a phone shows in the place of these. */
	const inRooms = $derived(/^\/(sites|visits)\/\[/.test(page.route.id ?? ''));

	// Browser tests wait for this before the first click.
	onMount(() => document.documentElement.setAttribute('data-ready', 'true'));
</script>

<a class="skip" href={inRooms ? '#room' : '#main'}>To the main part</a>
<header class="no-print">
	<a class="brand" href={resolve('/')}>
		<svg viewBox="0 0 34 22" aria-hidden="true">
			<path d="M1 12h8M25 12h8" class="ink" />
			<path d="M9 5h16v14H9z" class="ink" />
			<path d="M18 0v22" class="tick" />
		</svg>
		Zembo
	</a>
	<div class="places" class:inrooms={inRooms} role="navigation" aria-label="Zembo">
		<a href={resolve('/')}>Sites</a>
		<a href={resolve('/library')}>Library</a>
		<a href={resolve('/bench')}>Bench</a>
		<a href={resolve('/training')}>Training</a>
		<a href={resolve('/search')}>Search</a>
	</div>
	<span class="grow"></span>
	<HelpHere />
	<ModeSwitch />
</header>
<div class="progress" class:on={navigating.to !== null} aria-hidden="true"></div>
<main id="main">{@render children()}</main>

<style>
	header {
		display: flex;
		align-items: center;
		gap: 1.25rem;
		min-height: 56px;
		padding: 0 clamp(0.75rem, 2vw, 1.5rem);
		border-bottom: var(--stroke) solid var(--rule);
	}

	.brand {
		display: inline-flex;
		align-items: center;
		gap: 0.6rem;
		min-height: 44px;
		font-size: 1.25rem;
		font-weight: 750;
		letter-spacing: -0.01em;
		color: var(--ink);
		text-decoration: none;
	}

	.brand svg {
		width: 38px;
		height: 24px;
	}

	.ink {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}

	.tick {
		stroke: var(--accent);
		stroke-width: 3.2;
	}

	.places {
		display: flex;
		gap: 1.25rem;
	}

	.places a {
		display: inline-flex;
		align-items: center;
		min-height: 44px;
		padding: 0 0.4rem;
	}

	.grow {
		flex: 1;
	}

	@media (max-width: 480px) {
		header {
			flex-wrap: wrap;
			gap: 0 0.5rem;
			padding-top: 0.35rem;
		}

		/* On a line of their own below; where a site has its rooms there, its own line leads back. */
		.places {
			order: 1;
			width: 100%;
			justify-content: space-between;
			gap: 0;
		}

		.places a {
			padding: 0 0.2rem;
		}

		.places.inrooms {
			display: none;
		}
	}

	.skip {
		position: absolute;
		inset: 0 auto auto 0;
		padding: 0.75rem 1rem;
		background: var(--sheet);
		transform: translateY(-200%);
		z-index: 20;
	}

	.skip:focus {
		transform: none;
	}

	.progress {
		height: 3px;
		margin-top: -3px;
		background: var(--accent);
		transform-origin: left;
		transform: scaleX(0);
	}

	.progress.on {
		transform: scaleX(0.7);
		transition: transform 2s ease-out 120ms;
	}
</style>
