import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

type SheetProps = {
  open: boolean
  onClose: () => void
  title: string
  children: ReactNode
  describe?: string
}

/** A sheet laid over the page for one short task. */
export const Sheet = ({ open, onClose, title, describe, children }: SheetProps) => (
  <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
    <Dialog.Portal>
      <Dialog.Overlay className="fixed inset-0 z-40 bg-black/60" />
      <Dialog.Content
        {...(describe ? {} : { 'aria-describedby': undefined })}
        className="fixed top-[12vh] left-1/2 z-50 max-h-[80vh] w-[min(34rem,94vw)] -translate-x-1/2 overflow-y-auto rounded-xl border border-seam bg-bench p-6 text-ink shadow-2xl"
      >
        <Dialog.Title className="font-bold text-lead">{title}</Dialog.Title>
        {describe && <Dialog.Description className="mt-1 text-quiet">{describe}</Dialog.Description>}
        {children}
      </Dialog.Content>
    </Dialog.Portal>
  </Dialog.Root>
)
