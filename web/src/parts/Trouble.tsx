import { Refused } from '../api/client'
import { Rich } from './Num'

/** Why something was refused, said by itself to those who do not see it. */
export const Trouble = ({ text, id }: { text: string; id?: string }) =>
  text ? (
    <p id={id} role="alert" className="my-1 border-stop border-l-4 pl-2 text-left text-small text-stop leading-snug">
      <Rich text={text} />
    </p>
  ) : null

/** What an error says, field by field where the server named fields. */
export const said = (error: unknown): string => {
  if (!error) return ''
  if (!(error instanceof Refused)) return 'The server does not answer. Nothing typed is lost.'
  return error.fields
    .map(({ pointer, text }) => (pointer.startsWith('/line') ? `${pointer.slice(1).replaceAll('/', ', ')}: ${text}` : text))
    .join(' ')
}
