'use client'

import { ChecksGroup, MeasuresGroup } from './checks-group'
import type { GroupProps } from './form'
import { FollowGroup } from './follow-group'
import { GradientGroup } from './gradient-group'
import { GridGroup, KeylineGroup } from './grid-groups'
import { FinishGroup, PaletteGroup } from './paint-groups'
import { PlateGroup } from './plate-group'
import { MastersGroup } from './masters-group'
import { SizesGroup } from './sizes-group'
import { EndsGroup, NumberGroup } from './stroke-groups'

/** The rules in groups. */
export function RulesForm(props: GroupProps) {
  return (
    <>
      <FollowGroup {...props} />
      <GridGroup {...props} />
      <KeylineGroup {...props} />
      <NumberGroup {...props} list="weights" title="Stroke weights" one="weight" start={1} />
      <NumberGroup {...props} list="radii" title="Corner radii" one="radius" start={1} />
      <EndsGroup {...props} />
      <PaletteGroup {...props} />
      <GradientGroup {...props} />
      {props.draft.finishes.length > 0 && <FinishGroup {...props} />}
      <PlateGroup {...props} />
      <SizesGroup {...props} />
      <MastersGroup {...props} />
      <MeasuresGroup {...props} />
      <ChecksGroup {...props} />
    </>
  )
}
