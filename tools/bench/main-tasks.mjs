/**
 * What the main thread of a page does while something is done: its tasks by how long they were under way and by how long
 * the thread itself ran, in milliseconds. On a machine that is shared the first grows with whatever else runs on it.
 */
export async function mainTasks(browser, page, act) {
  await browser.startTracing(page, { categories: ['toplevel'] })
  await act()
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString())
  const threads = new Set(
    traceEvents
      .filter(({ name, args }) => name === 'thread_name' && args.name === 'CrRendererMain')
      .map(({ pid, tid }) => `${pid} ${tid}`),
  )
  return traceEvents
    .filter(({ name, ph, pid, tid }) => ph === 'X' && name.endsWith('RunTask') && threads.has(`${pid} ${tid}`))
    .map(({ dur, tdur }) => ({ underWay: dur / 1000, running: (tdur ?? dur) / 1000 }))
}
