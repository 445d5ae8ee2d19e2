/* Names of the files in an archive. */

export const VISIT_FILE = 'visit.zembo-visit.json';
export const SITE_FILE = 'site.zembo-site.json';
export const READINGS_FILE = 'readings.csv';
export const PDF_FILE = 'report.pdf';
export const HTML_FILE = 'report.html';
