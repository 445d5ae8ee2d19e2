<script lang="ts">
	import type { StringColour } from './string-colours';

	let { label, colour }: { label: string; colour: StringColour } = $props();
</script>

<!-- Colour and number always together: the one is for the eye, the other for the record. -->
<span class="figure" style:background={colour.fill} style:color={colour.ink}>{label}</span>

<style>
	span {
		display: inline-grid;
		place-items: center;
		min-width: 3.2ch;
		padding: 0.1rem 0.4rem;
		font-weight: 700;
		border: 1px solid var(--ink);
		border-radius: 2px;
		print-color-adjust: exact;
	}
</style>
