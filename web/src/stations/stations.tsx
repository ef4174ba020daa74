import type { ReactNode } from 'react'
import type { JobOut, Plan, StationKey } from '../api/client'
import { DeleteJob } from './DeleteJob'
import { LampsLit } from './LampsLit'
import { MarksTable } from './MarksTable'
import { MeterReadings } from './MeterReadings'
import { Cautions, Figures, Part } from './Panel'
import { Readings } from './Readings'
import { ContentShapes } from './Shapes'
import { SignalChain } from './SignalChain'
import { TakeFrom } from './TakeFrom'
import { Things } from './Things'
import { TidySizes } from './TidySizes'
import { ToMeasure } from './ToMeasure'

export type StationProps = { job: JobOut; plan: Plan; texts: Record<string, string> }

const Survey = ({ job, plan, texts }: StationProps) => (
  <>
    <Part>
      <Figures plan={plan} keys={['wall_width', 'room_depth', 'datum', 'ceiling']} />
    </Part>
    <Part title="Readings along the wall">
      <Readings job={job} texts={texts} />
    </Part>
    <Part title="Readings from a meter">
      <MeterReadings job={job} />
    </Part>
    <Part title="Build">
      <Figures plan={plan} keys={['build', 'stud_first', 'stud_spacing', 'stud_width']} />
    </Part>
    <Things job={job} plan={plan} texts={texts} />
    <Part title="Job">
      <Figures plan={plan} keys={['job_name', 'job_place', 'job_notes']} />
      <DeleteJob job={job} />
    </Part>
  </>
)

const Size = ({ job, plan }: StationProps) => (
  <>
    <Part>
      <Figures plan={plan} keys={['aspect', 'lead', 'lead_value', 'angle']} />
    </Part>
    <Part title="Viewable area">
      <Figures plan={plan} keys={['width', 'height', 'diagonal', 'real_aspect']} />
    </Part>
    <Part title="Tidy sizes">
      <Figures plan={plan} keys={['tidy_grid']} />
      <TidySizes plan={plan} />
    </Part>
    <Part title="Content shapes and masks">
      <ContentShapes job={job} plan={plan} />
      <Figures plan={plan} keys={['mask_lap']} />
    </Part>
    <Part title="Border and frame">
      <TakeFrom kind="kit" label="Take a frame kit from the stores" />
      <Figures
        plan={plan}
        keys={['border_side', 'border_top', 'border_bottom', 'overall_width', 'overall_height', 'overall_diagonal']}
      />
    </Part>
  </>
)

const Light = ({ job, plan }: StationProps) => (
  <>
    <Part>
      <Figures plan={plan} keys={['luminance', 'flux', 'bounce']} />
    </Part>
    <Part title="Fabric">
      <TakeFrom kind="fabric" label="Take a fabric from the stores" />
      <Figures plan={plan} keys={['light_fabric', 'fabric_kind', 'gain', 'half_gain', 'ambient_reflectance', 'acoustic']} />
    </Part>
    <Part title="Light in the room">
      <Figures plan={plan} keys={['lux_0', 'lux_1', 'lux_2', 'lux_3', 'lux_4', 'lux_5', 'surfaces']} />
      <LampsLit job={job} />
    </Part>
    <Part title="The projector's light">
      <Figures plan={plan} keys={['rated_lm', 'mode_share', 'age_share', 'zoom_long', 'own_contrast', 'pixels_across']} />
    </Part>
  </>
)

const Height = ({ plan }: StationProps) => (
  <>
    <Part>
      <Figures plan={plan} keys={['frame_top', 'binds', 'frame_bottom', 'picture_centre']} />
    </Part>
    <Part title="Wish">
      <Figures plan={plan} keys={['wish', 'wish_value', 'eye_share', 'centre_x']} />
    </Part>
    <Part title="Bounds">
      <Figures
        plan={plan}
        keys={[
          'ceiling_gap',
          'lowest_edge',
          'skirting',
          'top_highest',
          'top_lowest',
          'slack_ceiling',
          'slack_lift_on',
          'slack_soffit',
          'slack_neck',
          'slack_lowest_edge',
          'slack_rows',
          'slack_furniture',
          'slack_skirting',
          'slack_shift_upper',
          'slack_shift_lower',
        ]}
      />
    </Part>
  </>
)

const Throw = ({ job, plan }: StationProps) => (
  <>
    <Part>
      <TakeFrom kind="projector" label="Take a projector from the stores" />
      <Figures plan={plan} keys={['projector', 'lens_from_wall', 'lens_y', 'lens_x', 'shaded']} />
    </Part>
    <Part title="Window">
      <Figures plan={plan} keys={['window_near', 'window_far', 'throw_distance', 'panel_width']} />
    </Part>
    <Part title="Shift">
      <Figures plan={plan} keys={['shift_vertical', 'reach_left', 'shift_horizontal']} />
    </Part>
    {job.document.throw.mount === 'cabinet' && (
      <Part title="On the cabinet">
        <Figures
          plan={plan}
          keys={[
            'cabinet_height',
            'feet_out',
            'cabinet_gap',
            'cabinet_depth',
            'foot_left',
            'foot_back',
            'per_mm_width',
            'per_mm_top',
            'per_mm_bottom',
          ]}
        />
      </Part>
    )}
    <Cautions plan={plan} station="throw" />
    <Part title="Mount and cable">
      <Figures
        plan={plan}
        keys={[
          'hung',
          'mount',
          'pole',
          'plate_x',
          'plate_off_centre',
          'plate_z',
          'plate_right',
          'plate_roomward',
          'plate_to_axis',
        ]}
      />
      <Figures plan={plan} keys={['cable', 'cable_x', 'cable_y', 'cable_z']} />
    </Part>
    {plan.signal && (
      <Part title="Signal, from source to projector">
        <SignalChain signal={plan.signal} />
      </Part>
    )}
    <Part title="Where the lens may be">
      <Figures plan={plan} keys={['zone_x_low', 'zone_x_high', 'zone_y_low', 'zone_y_high', 'zone_z_low', 'zone_z_high']} />
    </Part>
    <Part title="Turned or tilted">
      <Figures plan={plan} keys={['turned_share', 'yaw_deg', 'pitch_deg', 'roll_deg']} />
    </Part>
    <Part title="Lens and panel">
      <Figures
        plan={plan}
        keys={['ratio_low', 'ratio_high', 'panel_aspect', 'has_shift', 'shift_up', 'shift_down', 'shift_side', 'reach', 'offset']}
      />
    </Part>
    <Part title="Body and the air it needs">
      <Figures
        plan={plan}
        keys={[
          'body_width',
          'body_height',
          'body_depth',
          'body_lens_from_left',
          'body_lens_above_base',
          'body_lens_to_wall_face',
          'body_vent_side',
          'body_vent_rear',
          'body_vent_top',
        ]}
      />
    </Part>
    <Part title="Fabric plane and picture">
      <Figures plan={plan} keys={['frame_depth', 'standoff', 'overspill']} />
    </Part>
  </>
)

const Wall = ({ plan }: StationProps) => (
  <>
    <ToMeasure plan={plan} />
    <Part>
      <Figures plan={plan} keys={['hole_left', 'hole_right', 'upper_row', 'lower_row']} />
    </Part>
    <Part title="Read back after drilling">
      <Figures plan={plan} keys={['check_across', 'check_down', 'check_diagonal', 'level_tolerance']} />
    </Part>
    <Cautions plan={plan} station="wall" />
    <Part title="Brackets">
      <TakeFrom kind="fixing" label="Take brackets from the stores" />
      <Figures
        plan={plan}
        keys={[
          'drop',
          'row_offset',
          'fix_to',
          'rule',
          'spacing_share',
          'fixed_spacing',
          'wished_spacing',
          'side_play',
          'lift_on',
          'studs_used',
          'spacing',
          'pair_offset',
        ]}
      />
    </Part>
    <Part title="Every mark">
      <MarksTable plan={plan} />
    </Part>
  </>
)

const Tension = ({ plan }: StationProps) => (
  <>
    <Part>
      <TakeFrom kind="fabric" label="Take a fabric from the stores" />
      <Figures plan={plan} keys={['fabric', 'hold', 'school', 'people', 'short_first', 'centre_bars']} />
    </Part>
    <Cautions plan={plan} station="tension" />
    <Part title="Points">
      <Figures
        plan={plan}
        keys={['hold_spacing', 'inset', 'rail_count', 'stile_count', 'points', 'rail_gap', 'stile_gap', 'steps']}
      />
      <p className="py-2 text-[14px] text-quiet">{plan.hooks}</p>
    </Part>
  </>
)

export const PANELS: Record<StationKey, (props: StationProps) => ReactNode> = {
  survey: Survey,
  size: Size,
  light: Light,
  height: Height,
  throw: Throw,
  wall: Wall,
  tension: Tension,
}
