<script lang="ts">
	let { kind }: { kind: 'nothing' | 'dc-box' | 'ac-box' | 'unknown' } = $props();
</script>

<!-- The back of a module: its junction box with two leads, and what they meet. -->
<svg viewBox="0 0 150 92" aria-hidden="true">
	<path d="M20 4h110v84H20z" class="back" />
	<path d="M62 4v84M88 4v84M20 46h110" class="grid" />
	<path d="M60 12h30v13H60z" class="box" />
	{#if kind === 'nothing'}
		<path d="M64 25c-2 14-30 10-34 28v20M86 25c2 14 30 10 34 28v20" class="lead" />
		<path d="M27 73h6v9h-6zM117 73h6v9h-6z" class="plug" />
	{:else if kind === 'dc-box'}
		<path d="M64 25v14M86 25v14M60 66c-6 6-26 2-30 10M90 66c6 6 26 2 30 10" class="lead" />
		<path d="M54 39h42v27H54z" class="device" />
		<path d="M66 50h18M66 55h5M72.500 55h5M79 55h5" class="sign" />
		<path d="M27 76h6v9h-6zM117 76h6v9h-6z" class="plug" />
	{:else if kind === 'ac-box'}
		<path d="M64 25v14M86 25v14M75 66v10M20 78h110" class="lead" />
		<path d="M54 39h42v27H54z" class="device" />
		<path d="M64 53q5-11 11 0t11 0" class="sign" />
		<path d="M70 74h10v8H70z" class="plug" />
	{:else}
		<path d="M64 25c-2 14-10 8-10 20M86 25c2 14 10 8 10 20" class="lead" />
		<path d="M42 45h66v38H42z" class="unknown" />
		<text x="75" y="73">?</text>
	{/if}
</svg>

<style>
	svg {
		width: 100%;
		max-width: 180px;
	}

	path {
		fill: none;
		stroke: var(--ink);
		stroke-width: var(--stroke);
		stroke-linejoin: round;
	}

	.back {
		fill: var(--well);
	}

	.grid {
		stroke: var(--line);
	}

	.box,
	.plug {
		fill: var(--ink);
	}

	.device {
		fill: var(--lit);
		stroke-width: 2;
	}

	.sign {
		stroke-width: 2;
	}

	.unknown {
		fill: var(--sheet);
		stroke-dasharray: 5 4;
	}

	text {
		text-anchor: middle;
		font-size: 26px;
		font-weight: 700;
		fill: var(--ink);
	}
</style>
