/** One registry of commands feeds keys, menus and help. */
export type Command = { keys: string; label: string; scope: 'everywhere' | 'job' | 'yard' }

export const COMMANDS = {
  help: { keys: '?', label: 'Show the keys', scope: 'everywhere' },
  theme: { keys: 'l', label: 'Theme: dark or bright', scope: 'everywhere' },
  yard: { keys: 'y', label: 'Back to the yard', scope: 'everywhere' },
  find: { keys: '/', label: 'Find anything', scope: 'everywhere' },
  create: { keys: 'c', label: 'Create a job', scope: 'yard' },
  nextStation: { keys: 'j', label: 'Down the rope: next station', scope: 'job' },
  lastStation: { keys: 'k', label: 'Up the rope: station before', scope: 'job' },
  flip: { keys: 'o', label: 'Next face of the board', scope: 'job' },
  nextStep: { keys: '.', label: 'Step of the tension order done, next one', scope: 'job' },
  lastStep: { keys: ',', label: 'Step before', scope: 'job' },
  undo: { keys: 'mod+z', label: 'Undo', scope: 'job' },
  redo: { keys: 'mod+shift+z', label: 'Redo', scope: 'job' },
} as const satisfies Record<string, Command>

export type CommandName = keyof typeof COMMANDS

export const keysOf = (event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey'>): string => {
  const key = event.key.toLowerCase()
  const mod = event.ctrlKey || event.metaKey
  return mod ? `mod+${event.shiftKey ? 'shift+' : ''}${key}` : key
}

export const spoken = (keys: string): string => keys.replace('mod', 'Ctrl').replace('shift', 'Shift').replaceAll('+', ' ')
