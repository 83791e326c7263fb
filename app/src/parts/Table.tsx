import {
  type ColumnDef,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  type SortingState,
  useReactTable,
} from '@tanstack/react-table';
import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import { type ReactNode, useState } from 'react';
import { Pressable, View } from 'react-native';
import { usePalette } from '../look/theme';
import { Text } from './Text';

export interface Column<T> {
  id: string;
  heading: string;
  /** What the column is sorted by; without it the column is not sorted. */
  by?: (row: T) => string | number;
  cell: (row: T) => ReactNode;
  /** Its share of the breadth. */
  share: number;
}

interface TableProps<T> {
  label: string;
  columns: readonly Column<T>[];
  rows: readonly T[];
  idOf: (row: T) => string;
  /** Classes of a row that differs. */
  rowLook?: (row: T) => string;
}

const SORTED = { asc: 'ascending', desc: 'descending' } as const;
const share = (of: number) => ({ flexGrow: of, flexShrink: 1, flexBasis: 0, minWidth: 0 });

/** A wide list: one line a row, sorted by a tap on a heading; rows stand in their own order at first. */
export function Table<T>({ label, columns, rows, idOf, rowLook }: TableProps<T>) {
  const [sorting, setSorting] = useState<SortingState>([]);
  const palette = usePalette();
  const table = useReactTable<T>({
    data: rows as T[],
    columns: columns.map(
      ({ id, by, heading }): ColumnDef<T> =>
        by ? { id, header: heading, accessorFn: by, sortDescFirst: false } : { id, header: heading },
    ),
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: idOf,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const columnOf = (id: string) => columns.find((column) => column.id === id);
  return (
    <View role="table" aria-label={label}>
      <View role="row" className="flex-row gap-3 border-b border-line">
        {table.getFlatHeaders().map(({ id, column, getContext }) => {
          const sorted = column.getIsSorted();
          const Mark = sorted === 'desc' ? ArrowDown : ArrowUp;
          const heading = (
            <Text size="small" bold tone="soft">
              {flexRender(column.columnDef.header, getContext())}
            </Text>
          );
          return (
            <View
              key={id}
              role="columnheader"
              style={share(columnOf(id)?.share ?? 1)}
              {...(sorted ? { 'aria-sort': SORTED[sorted] } : {})}
            >
              {column.getCanSort() ? (
                <Pressable
                  role="button"
                  onPress={() => column.toggleSorting()}
                  className="min-h-11 flex-row items-center gap-1"
                >
                  {heading}
                  {sorted ? <Mark size={16} color={palette.soft} aria-hidden /> : null}
                </Pressable>
              ) : (
                <View className="min-h-11 justify-center">{heading}</View>
              )}
            </View>
          );
        })}
      </View>
      {table.getRowModel().rows.map(({ id, original }) => (
        <View
          key={id}
          role="row"
          className={`flex-row items-center gap-3 border-b border-line py-2 ${rowLook?.(original) ?? ''}`}
        >
          {columns.map((column) => (
            <View key={column.id} role="cell" style={share(column.share)}>
              {column.cell(original)}
            </View>
          ))}
        </View>
      ))}
    </View>
  );
}
