import type { Cell } from '@zealous-axle/core';

/** Reads a spreadsheet on this device, its first sheet: XLSX, or text parted by commas, semicolons or tabs. Its readers are fetched when they are needed. */
export async function readSheet(file: File): Promise<Cell[][]> {
  if (/\.xlsx$/i.test(file.name)) {
    const { default: readExcel } = await import('read-excel-file/browser');
    const [sheet] = await readExcel(file);
    return (sheet?.data ?? []) as Cell[][];
  }
  const { default: Papa } = await import('papaparse');
  const text = (await file.text()).replace(/^\uFEFF/, '');
  return Papa.parse<string[]>(text, { skipEmptyLines: false }).data;
}
