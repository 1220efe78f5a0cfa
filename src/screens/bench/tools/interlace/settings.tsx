import { SettingsOf } from '../own-settings'

/** The order and the gap of the interlace in hand. */
export const InterlaceSettings = () => <SettingsOf kind="interlace" />
