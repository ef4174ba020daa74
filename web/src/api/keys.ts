/** Every query key of the page, in one place: what is invalidated together begins alike. */
export const keys = {
  jobs: ['jobs'] as const,
  jobList: (search: string) => ['jobs', search] as const,
  job: (id: string) => ['job', id] as const,
  readings: (id: string) => ['readings', id] as const,
  versions: (id: string, version: number) => ['versions', id, version] as const,
  compared: (what: 'sizes' | 'fabrics' | 'projectors' | 'payoff' | 'bench', id: string, version: number) =>
    [what, id, version] as const,
  floor: (id: string, version: number, measure: string, state: string) => ['floor', id, version, measure, state] as const,
  view: (id: string, version: number, seat: string, state: string) => ['view', id, version, seat, state] as const,
  stores: (kind: string) => ['stores', kind] as const,
  cast: (code: string) => ['cast', code] as const,
  projectors: ['projectors'] as const,
  projector: ['projector'] as const,
  trainer: ['trainer'] as const,
  devices: ['devices'] as const,
  bin: ['bin'] as const,
  backups: ['backups'] as const,
  photos: (id: string) => ['photos', id] as const,
  sheets: ['sheets'] as const,
}
