<script lang="ts">
	import { SegmentedControl } from '@skeletonlabs/skeleton-svelte';
	import Moon from '@lucide/svelte/icons/moon';
	import Sun from '@lucide/svelte/icons/sun';
	import SunDim from '@lucide/svelte/icons/sun-dim';
	import { onMount } from 'svelte';

	const MODES = [
		{ value: 'light', words: 'Light', Icon: SunDim },
		{ value: 'dark', words: 'Dark', Icon: Moon },
		{ value: 'sunlight', words: 'Sunlight', Icon: Sun }
	];
	const YEAR = 365 * 24 * 3600;

	let mode = $state('light');
	onMount(() => {
		mode = document.documentElement.dataset.mode ?? 'light';
	});

	function choose(value: string | null) {
		if (!value) return;
		mode = value;
		document.documentElement.dataset.mode = value;
		document.cookie = `zembo-mode=${value}; path=/; max-age=${YEAR}; samesite=lax`;
	}
</script>

<SegmentedControl value={mode} onValueChange={({ value }) => choose(value)}>
	<SegmentedControl.Label class="sr-only">Look of the screen</SegmentedControl.Label>
	<SegmentedControl.Control class="mode-control">
		{#each MODES as { value, words, Icon } (value)}
			<SegmentedControl.Item {value} class="mode-item" data-chosen={mode === value}>
				<SegmentedControl.ItemText class="mode-text">
					<Icon size={18} aria-hidden="true" />
					<span>{words}</span>
				</SegmentedControl.ItemText>
				<SegmentedControl.ItemHiddenInput />
			</SegmentedControl.Item>
		{/each}
	</SegmentedControl.Control>
</SegmentedControl>

<style>
	:global(.mode-control) {
		display: inline-flex;
		border: 1px solid var(--line);
		border-radius: 3px;
		background: transparent;
		padding: 0;
		gap: 0;
	}

	:global(.mode-item) {
		min-height: 44px;
		min-width: 44px;
		flex: none;
		width: auto;
		padding: 0 0.7rem;
		display: inline-flex;
		align-items: center;
		justify-content: center;
		color: var(--soft);
		border-radius: 2px;
		cursor: pointer;
	}

	:global(.mode-item[data-chosen='true']) {
		background: var(--ink);
		color: var(--paper);
	}

	:global(.mode-item:has(input:focus-visible)) {
		outline: 3px solid var(--accent);
		outline-offset: 2px;
	}

	:global(.mode-text) {
		display: inline-flex;
		align-items: center;
		gap: 0.35rem;
		font-size: 0.9rem;
	}

	@media (max-width: 640px) {
		:global(.mode-text span) {
			position: absolute;
			width: 1px;
			height: 1px;
			overflow: hidden;
			clip-path: inset(50%);
		}
	}
</style>
