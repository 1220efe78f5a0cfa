import { database } from '@/server/database'
import { deletedIcons } from '@/server/save'

/** The icons that were deleted from a set, latest first. */
export async function GET(_: Request, { params }: { params: Promise<{ setId: string }> }): Promise<Response> {
  return Response.json(await deletedIcons(await database(), (await params).setId))
}
