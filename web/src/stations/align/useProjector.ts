import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { ask, type ProjectorState } from '../../api/client'
import { keys } from '../../api/keys'

const TURNING_MS = 1500

export type Act =
  | { name: string }
  | { name: string; set: { what: Setting; value: string } }
  | { name: string; turn: { what: 'zoom' | 'shift-h' | 'shift-v'; by: number } }
export type Setting = 'power' | 'light' | 'input' | 'memory' | 'zoom' | 'shift-h' | 'shift-v'

const sent = (act: Act): Promise<ProjectorState> => {
  const params = { path: { name: act.name } }
  if ('set' in act) return ask.put('/api/projectors/{name}', { params, body: { settings: [act.set] } })
  if ('turn' in act) return ask.post('/api/projectors/{name}/turn', { params, body: act.turn })
  return ask.get('/api/projectors/{name}', { params })
}

/** The projector at a distance as it last answered. It is asked by a tap; only while it warms up or cools down, again. */
export const useProjector = () => {
  const client = useQueryClient()
  const last = client.getQueryData<ProjectorState>(keys.projector)
  const turning = last?.power === 'warming' || last?.power === 'cooling'
  const names = useQuery({ queryKey: keys.projectors, queryFn: () => ask.get('/api/projectors') })
  const now = useQuery({
    queryKey: keys.projector,
    queryFn: () => sent({ name: last?.name ?? '' }),
    enabled: turning,
    refetchInterval: turning ? TURNING_MS : false,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: Number.POSITIVE_INFINITY,
    retry: false,
  })
  // a tap whose answer was lost may have been obeyed: of what was known before nothing is said any more
  const act = useMutation({
    mutationFn: sent,
    onSuccess: (state) => client.setQueryData(keys.projector, state),
    onError: () => client.removeQueries({ queryKey: keys.projector }),
  })
  const trouble = act.error ?? now.error
  return { names: names.data ?? [], now: trouble ? undefined : now.data, act, trouble }
}
