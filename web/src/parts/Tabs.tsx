import { Tabs } from 'radix-ui'
import type { ReactNode } from 'react'

type TabsProps<Name extends string> = {
  label: string
  names: readonly (readonly [Name, string])[]
  shown: Name
  show: (name: Name) => void
  beside?: ReactNode
  children: ReactNode
}

/** A table strip with more than one table: a row of names, and what the chosen one shows below it, scrolling. */
export const StripTabs = <Name extends string>({ label, names, shown, show, beside, children }: TabsProps<Name>) => (
  <Tabs.Root value={shown} onValueChange={(name) => show(name as Name)} className="flex h-full flex-col px-3">
    <div className="flex flex-wrap items-center gap-1 pt-0.5">
      <Tabs.List aria-label={label} className="flex flex-1 gap-1">
        {names.map(([name, called]) => (
          <Tab key={name} name={name} called={called} />
        ))}
      </Tabs.List>
      {beside}
    </div>
    <Tabs.Content value={shown} className="relative min-h-0 flex-1 overflow-auto">
      {children}
    </Tabs.Content>
  </Tabs.Root>
)

const Tab = ({ name, called }: { name: string; called: string }) => (
  <Tabs.Trigger
    value={name}
    className="min-h-9 whitespace-nowrap rounded-md px-3 text-quiet max-[520px]:px-2 data-[state=active]:bg-lift data-[state=active]:font-bold data-[state=active]:text-ink"
  >
    {called}
  </Tabs.Trigger>
)
