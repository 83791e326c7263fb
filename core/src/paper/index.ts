/** What leaves on paper, and readings in words. */
export { findingWords, type InspectionPaper, inspectionPaper, type PaperFinding, verdictWords } from './inspection';
export { type HubNotes, hubWords, readingWords } from './words';
