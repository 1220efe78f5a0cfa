/** How a task that was ended is told, whatever bundle or thread it comes from. */
const CODE = 'WISE_SQUARE_TASK_ENDED'

/** A task that was ended because it took too long or too much, as a sentence. */
export class TaskEnded extends Error {
  readonly code = CODE
}

/** Whether something that was thrown is a task that was ended: classes are others in each bundle, codes are not. */
export const isTaskEnded = (error: unknown): error is TaskEnded => (error as { code?: unknown } | null)?.code === CODE
