import { readCsv } from './csv';
import { inspectionPdf, jobPdf } from './pdf';

/** What is worked out beside the server: it takes long enough that others would wait for it. */
export const JOBS = { csv: readCsv, 'inspection-pdf': inspectionPdf, 'job-pdf': jobPdf } as const;
export type JobName = keyof typeof JOBS;
export interface Asked<N extends JobName = JobName> {
  job: N;
  of: Parameters<(typeof JOBS)[N]>[0];
}
