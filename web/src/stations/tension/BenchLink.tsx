import { Link } from 'react-router'
import { buttonLook } from '../../parts/Button'
import type { StationProps } from '../props'

/** The way to the tension bench. */
export const BenchLink = ({ job }: StationProps) => (
  <p className="py-2">
    <Link to={`/bench/${job.id}`} className={`inline-flex items-center ${buttonLook('plain', 'bar')}`}>
      Tension bench
    </Link>
    <span className="block pt-1 text-quiet text-small">
      Watch this order work before the cloth is touched; read wrinkles back into points.
    </span>
  </p>
)
