import { arrow } from './arrow/arrow'
import { assembly } from './assembly/assembly'
import { bend } from './bend/bend'
import { cast } from './cast/cast'
import { ellipse } from './ellipse/ellipse'
import { group } from './group/group'
import { inset } from './inset/inset'
import { interlace } from './interlace/interlace'
import { line } from './line/line'
import { mirror } from './mirror/mirror'
import { outlined } from './outlined/outlined'
import { patchwork } from './patchwork/patchwork'
import { path } from './path/path'
import { placement } from './placement/placement'
import { plate } from './plate/plate'
import { polygon } from './polygon/polygon'
import { rectangle } from './rectangle/rectangle'
import { repeat } from './repeat/repeat'
import { spiral } from './spiral/spiral'
import { text } from './text/text'
import { warp } from './warp/warp'

/** Every kind of object: the union of objects, what files may hold and the laws that are tested follow from this list. */
export const KINDS = [
  rectangle,
  ellipse,
  polygon,
  arrow,
  spiral,
  line,
  path,
  text,
  group,
  assembly,
  mirror,
  inset,
  outlined,
  repeat,
  patchwork,
  interlace,
  placement,
  bend,
  warp,
  cast,
  plate,
] as const
