import 'pdfmake';

declare module 'pdfmake' {
	/** Files that a document names, in memory; what @types/pdfmake leaves out. */
	export const virtualfs: { writeFileSync(name: string, bytes: Buffer): void };
}
