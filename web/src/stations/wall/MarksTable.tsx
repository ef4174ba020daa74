import type { Plan } from '../../api/client'
import { Num, Rich } from '../../parts/Num'
import { HoleFact, RefusedHoles } from './HoleFacts'

/** Each hole by every reference, rounded once. */
export const MarksTable = ({ plan }: { plan: Plan }) => {
  const facts = plan.tables.marks?.facts ?? []
  return (
    <div className="flex flex-col gap-2">
      {plan.tables.marks?.rows.map((row) => {
        const why = plan.refused.find((one) => one.key === row.key)?.why
        if (why)
          return (
            <div key={row.key} className="border-stop border-l-[6px] bg-stop-ground px-3 py-1.5 text-small">
              <strong>{row.name} hole: do not drill.</strong> <Rich text={why.join(' ')} />
              {facts.some((one) => one.drilled && one.hole === row.key) && <HoleFact row={row} facts={facts} />}
            </div>
          )
        return (
          <div key={row.key}>
            <table className="w-full text-small">
              <caption className="text-left font-semibold text-body">{row.name} hole</caption>
              <tbody>
                {(
                  [
                    ['left wall end', row.from_left],
                    ['datum line', row.from_datum],
                    ['screen center', row.from_center],
                    ['stud center', row.from_stud],
                    ['floor there', row.to_floor],
                    ['ceiling there', row.to_ceiling],
                    ['rounding', row.note],
                  ] as const
                )
                  .filter(([, text]) => text)
                  .map(([name, text]) => (
                    <tr key={name}>
                      <th scope="row" className="py-0.5 text-left font-normal text-quiet">
                        {name}
                      </th>
                      <td className="text-right">{name === 'rounding' ? <Rich text={text} /> : <Num text={text} />}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
            <HoleFact row={row} facts={facts} />
          </div>
        )
      })}
      <RefusedHoles facts={facts} />
    </div>
  )
}
