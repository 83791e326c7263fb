/** What leaves on paper. */
export {
  findingWords,
  type InspectionPaper,
  inspectionPaper,
  type PaperFinding,
  readingWords,
  verdictWords,
} from './inspection';
