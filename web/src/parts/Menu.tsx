import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'

type MenuProps = {
  trigger: ReactNode
  label: string
  iconOnly?: boolean
  children: ReactNode
  className?: string
}

const ITEM =
  'flex min-h-11 cursor-pointer select-none items-center gap-3 rounded px-3 outline-none data-[highlighted]:bg-lift data-[state=checked]:font-semibold'

/** A menu under a button. The label is said before what the trigger shows, or alone for an icon. */
export const Menu = ({ trigger, label, iconOnly = false, children, className = '' }: MenuProps) => (
  <DropdownMenu.Root modal={false}>
    <DropdownMenu.Trigger aria-label={iconOnly ? label : undefined} className={className}>
      {!iconOnly && label && <span className="sr-only">{label}: </span>}
      {trigger}
    </DropdownMenu.Trigger>
    <DropdownMenu.Portal container={document.getElementById('overlays')}>
      <DropdownMenu.Content
        align="end"
        sideOffset={6}
        className="z-50 max-h-[70vh] min-w-52 overflow-y-auto rounded-lg border border-seam bg-bench p-1.5 text-ink shadow-2xl"
      >
        {children}
      </DropdownMenu.Content>
    </DropdownMenu.Portal>
  </DropdownMenu.Root>
)

type ItemProps = { onSelect: () => void; children: ReactNode; stays?: boolean }

/** stays: the menu stays open after it. */
export const MenuItem = ({ onSelect, children, stays = false }: ItemProps) => (
  <DropdownMenu.Item
    onSelect={(event) => {
      if (stays) event.preventDefault()
      onSelect()
    }}
    className={ITEM}
  >
    {children}
  </DropdownMenu.Item>
)

/** Another page. */
export const MenuLinkTo = ({ href, children }: { href: string; children: ReactNode }) => (
  <DropdownMenu.Item asChild className={ITEM}>
    <a href={href}>{children}</a>
  </DropdownMenu.Item>
)

type LinkProps = { href: string; children: ReactNode; note?: string; onFetch?: (() => void) | undefined }

/** A file to keep; onFetch: fetched by the page, since it may take a while to be made. */
export const MenuLink = ({ href, children, note, onFetch }: LinkProps) => {
  const words = (
    <>
      <span className="flex-1">{children}</span>
      {note && <span className="text-quiet">{note}</span>}
    </>
  )
  return onFetch ? (
    <DropdownMenu.Item onSelect={onFetch} className={ITEM}>
      {words}
    </DropdownMenu.Item>
  ) : (
    <DropdownMenu.Item asChild className={ITEM}>
      <a href={href} download>
        {words}
      </a>
    </DropdownMenu.Item>
  )
}

type ChoicesProps = {
  value: string
  onChange: (value: string) => void
  choices: readonly { value: string; label: ReactNode }[]
}

export const MenuChoices = ({ value, onChange, choices }: ChoicesProps) => (
  <DropdownMenu.RadioGroup value={value} onValueChange={onChange}>
    {choices.map((choice) => (
      <DropdownMenu.RadioItem key={choice.value} value={choice.value} className={ITEM}>
        <span className="w-3 text-brass">
          <DropdownMenu.ItemIndicator>●</DropdownMenu.ItemIndicator>
        </span>
        {choice.label}
      </DropdownMenu.RadioItem>
    ))}
  </DropdownMenu.RadioGroup>
)

export const MenuHeading = ({ children }: { children: ReactNode }) => (
  <DropdownMenu.Label className="px-3 pt-2 pb-1 text-quiet text-small">{children}</DropdownMenu.Label>
)
