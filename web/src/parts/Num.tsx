import { Fragment } from 'react'

const FRACTION = /\u00a0?(\d+)\u2044(\d+)/
const UNIT = /(\u00a0(?:mm|cm|in)|[″′])/

const units = (plain: string) =>
  plain.split(UNIT).map((part, at) =>
    UNIT.test(part) ? (
      // biome-ignore lint/suspicious/noArrayIndexKey: the parts of one text never reorder
      <span key={at} className="unit">
        {part}
      </span>
    ) : (
      part
    ),
  )

/** A number stays on one line with what it counts. */
const held = (text: string) => text.replace(/(\d) (?=(?:%|cd|lux|lm|dB|kg)(?:\W|$))/g, '$1\u00a0')

const NUMBER = /((?:\d+\u00a0)?\d+\u2044\d+[″′]?)/

/** Text with real stacked fractions, each on one line with its whole number; a reader hears the plain text. */
export const Rich = ({ text }: { text: string }) => (
  <>
    {held(text)
      .split(NUMBER)
      .map((part, at) =>
        // biome-ignore lint/suspicious/noArrayIndexKey: the parts of one text never reorder
        at % 2 === 1 ? <Num key={at} text={part} className="in-text" /> : part,
      )}
  </>
)

const Stack = ({ top, bottom }: { top: string; bottom: string }) => (
  <span className="num in-text">
    <span className="sr-only">
      {' '}
      {top}/{bottom}
    </span>
    <span className="frac" aria-hidden="true">
      <b>{top}</b>
      <b>{bottom}</b>
    </span>
  </span>
)

/** A number: tabular, fractions stacked, units quiet. */
export const Num = ({ text, className = '' }: { text: string; className?: string }) => {
  const parts = text.split(new RegExp(FRACTION.source, 'g'))
  return (
    <span className={`num ${className}`}>
      {parts.map((part, at) => {
        if (at % 3 === 2) return null
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: the parts of one text never reorder
          <Fragment key={at}>{at % 3 === 0 ? units(part) : <Stack top={part} bottom={parts[at + 1] ?? ''} />}</Fragment>
        )
      })}
    </span>
  )
}

/** The same text as a person would type it. */
export const typeable = (text: string): string =>
  text.replaceAll('\u00a0', ' ').replaceAll('\u2044', '/').replaceAll('″', '"').replaceAll('′', "'").replaceAll('−', '-')
