import type { ReactNode, TdHTMLAttributes } from 'react'

type TableProps = { label: string; heads: readonly ReactNode[]; children: ReactNode; className?: string }

/** A table of a strip: its heads stay while it scrolls. */
export const Table = ({ label, heads, children, className = '' }: TableProps) => (
  <table className={`w-full text-small ${className}`} aria-label={label}>
    <thead className="sticky top-0 z-10 bg-velvet text-left text-fine text-quiet">
      <tr>
        {heads.map((head, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the heads of a table never reorder
          <th key={at} className="px-2 py-1 font-medium">
            {head}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>{children}</tbody>
  </table>
)

export const Line = ({ lit = false, className = '', children }: { lit?: boolean; className?: string; children: ReactNode }) => (
  <tr className={`border-seam border-t ${lit ? 'bg-lift' : ''} ${className}`}>{children}</tr>
)

export const Cell = ({ className = '', ...rest }: TdHTMLAttributes<HTMLTableCellElement>) => (
  <td className={`px-2 py-1 align-top ${className}`} {...rest} />
)

/** A head that sorts by its column. */
export const SortHead = ({ on, onSort, children }: { on: boolean; onSort: () => void; children: ReactNode }) => (
  <button
    type="button"
    aria-pressed={on}
    onClick={onSort}
    className={`underline decoration-dotted underline-offset-4 ${on ? 'text-ink' : ''}`}
  >
    {children}
  </button>
)
