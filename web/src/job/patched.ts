import type { Face, Figure, Finding, JobOut, PreviewOut } from '../api/client'

/** A job as it looks while something is dragged: the saved one with what the preview says is different. */
export const patched = (job: JobOut, preview: PreviewOut): JobOut => {
  const { plan, drawing } = job
  const face = drawing[preview.face.name]
  return {
    ...job,
    plan: {
      ...plan,
      figures: figuresOf(plan.figures, preview),
      findings: findingsOf(plan.findings, preview),
      stations: plan.stations.map((one) => preview.stations.find((now) => now.key === one.key) ?? one),
      to_measure: preview.to_measure ?? plan.to_measure,
      refused: preview.refused ?? plan.refused,
      refused_marks: preview.refused_marks ?? plan.refused_marks,
      tables: { ...plan.tables, ...preview.tables },
    },
    drawing: { ...drawing, [face.name]: faceOf(face, preview), tape: preview.tape ?? drawing.tape },
  }
}

/** A finding that stands as it did is given by its place. */
const findingsOf = (findings: readonly Finding[], preview: PreviewOut): Finding[] =>
  (preview.findings ?? findings).flatMap((one) => (typeof one === 'number' ? findings.slice(one, one + 1) : [one]))

const figuresOf = (figures: readonly Figure[], preview: PreviewOut): Figure[] => {
  const said = new Map(preview.figures.map((one) => [one.key, one]))
  const opened = new Map(preview.opened.map((one) => [one.key, one]))
  return figures
    .filter((one) => !preview.gone.includes(one.key))
    .map((one) => {
      const now = said.get(one.key)
      return opened.get(one.key) ?? (now ? merged(one, now) : one)
    })
}

const merged = (one: Figure, now: PreviewOut['figures'][number]): Figure => ({
  ...one,
  value: now.value,
  text: now.text,
  label: now.label ?? one.label,
  known: now.known ?? one.known,
  rests_on: now.rests_on ?? one.rests_on,
  entry: one.entry && { ...one.entry, given: now.given ?? one.entry.given },
})

const faceOf = (face: Face, { face: { bounds, marks, gone } }: PreviewOut): Face => {
  const said = new Map(marks.map((one) => [one.key, one]))
  const kept = face.marks
    .filter((one) => !gone.includes(one.key))
    .map((one) => {
      const now = said.get(one.key)
      said.delete(one.key)
      return now ?? one
    })
  return { ...(bounds ?? face), rests: face.rests, marks: [...kept, ...said.values()] }
}
