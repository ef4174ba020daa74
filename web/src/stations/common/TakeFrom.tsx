import { useQuery } from '@tanstack/react-query'
import { ask, type RecordKind } from '../../api/client'
import { keys } from '../../api/keys'
import { useThisJob } from '../../job/context'
import { buttonLook } from '../../parts/Button'
import { Menu, MenuItem } from '../../parts/Menu'

const LABELS: Record<RecordKind, string> = {
  fabric: 'Take a fabric from the stores',
  kit: 'Take a frame kit from the stores',
  projector: 'Take a projector from the stores',
  fixing: 'Take brackets from the stores',
}

/** Copy a record of the shop's stores into the job. */
export const TakeFrom = ({ kind }: { kind: RecordKind }) => {
  const { takeRecord } = useThisJob()
  const list = useQuery({
    queryKey: keys.stores(kind),
    queryFn: () => ask.get('/api/stores/{kind}', { params: { path: { kind } } }),
  })
  if (!list.data?.length) return null
  return (
    <Menu label="" className={`mb-1 w-full text-left ${buttonLook('plain', 'bar')}`} trigger={<>{LABELS[kind]} ▾</>}>
      {list.data.map((one) => (
        <MenuItem key={one.key} onSelect={() => void takeRecord(kind, one.key)}>
          {one.name}
        </MenuItem>
      ))}
    </Menu>
  )
}
