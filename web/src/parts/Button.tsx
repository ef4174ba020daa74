import type { ButtonHTMLAttributes } from 'react'

const LOOKS = {
  plain: 'border border-seam px-3 hover:border-brass disabled:opacity-45 disabled:hover:border-seam',
  main: 'bg-brass px-4 font-bold text-on-brass disabled:opacity-45',
  quiet: 'px-2 text-quiet hover:text-ink',
  danger: 'border border-seam px-3 text-stop hover:border-stop',
  remove: 'size-9 text-quiet hover:text-stop',
} as const
const SIZES = {
  row: 'min-h-9 max-[820px]:min-h-11',
  bar: 'min-h-10 max-[820px]:min-h-11',
  tall: 'min-h-11',
  step: 'min-h-16 rounded-lg px-6 text-lead',
} as const

/** How a button looks, for links and triggers that are buttons too. */
export const buttonLook = (look: keyof typeof LOOKS, size: keyof typeof SIZES = 'row') =>
  `rounded-md ${SIZES[size]} ${LOOKS[look]}`

type ButtonProps = ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof LOOKS; size?: keyof typeof SIZES }

export const Button = ({ look = 'plain', size = 'row', className = '', ...rest }: ButtonProps) => (
  <button type="button" className={`${buttonLook(look, size)} ${className}`} {...rest} />
)

/** Something that is on or off, one of a list that is taken, a thing that is looked at. */
export const Pick = ({ on, className = '', ...rest }: ButtonProps & { on: boolean }) => (
  <button
    type="button"
    aria-pressed={on}
    className={`min-h-9 rounded-md px-2 text-small max-[820px]:min-h-11 ${on ? 'bg-lift font-semibold' : 'text-quiet'} ${className}`}
    {...rest}
  />
)
