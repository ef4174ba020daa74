import { useRef } from 'react'
import { Button } from './Button'

type FilePickProps = { label: string; accept: string; onPick: (file: File) => void; children: string; size?: 'row' | 'bar' }

/** A button that asks for one file. */
export const FilePick = ({ label, accept, onPick, children, size = 'row' }: FilePickProps) => {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button size={size} onClick={() => input.current?.click()}>
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0]
          event.target.value = ''
          if (file) onPick(file)
        }}
      />
    </>
  )
}
