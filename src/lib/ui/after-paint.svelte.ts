/**
 * A value that follows another as soon as the next picture is on the screen: what was pressed shows
 * at once, and what takes long to draw comes after it.
 *
 * @param value followed whenever what it reads changes
 * @param first what it is until then; also on the server
 */
export function afterPaint<T>(value: () => T, first: T): { readonly current: T } {
	let current = $state.raw(first);
	$effect(() => {
		const next = value();
		let timer: ReturnType<typeof setTimeout> | undefined;
		// The frame's own callbacks run before it is drawn; a task after them runs when it is.
		const frame = requestAnimationFrame(() => {
			timer = setTimeout(() => (current = next));
		});
		return () => {
			cancelAnimationFrame(frame);
			clearTimeout(timer);
		};
	});
	return {
		get current() {
			return current;
		}
	};
}
