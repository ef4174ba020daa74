import { useQuery } from '@tanstack/react-query'
import { api, ask, type RecordOut } from '../api/client'
import { useThisJob } from '../job/context'
import { Menu, MenuItem } from '../parts/Menu'

type TakeFromProps = { kind: 'fabric' | 'kit' | 'projector' | 'fixing'; label: string }

/** Copy a record of the shop's stores into the job. */
export const TakeFrom = ({ kind, label }: TakeFromProps) => {
  const { takeRecord } = useThisJob()
  const list = useQuery({
    queryKey: ['stores', kind],
    queryFn: () => ask<RecordOut[]>(api.GET('/api/stores/{kind}', { params: { path: { kind } } })),
  })
  if (!list.data?.length) return null
  return (
    <Menu
      label=""
      className="mb-1 min-h-10 w-full rounded border border-seam px-3 text-left hover:border-brass"
      trigger={<>{label} ▾</>}
    >
      {list.data.map((one) => (
        <MenuItem key={one.key} onSelect={() => void takeRecord(kind, one.key)}>
          {one.name}
        </MenuItem>
      ))}
    </Menu>
  )
}
