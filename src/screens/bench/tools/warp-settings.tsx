import { SettingsOf } from './own-settings'

/** The form of the warp in hand, and its amount. */
export const WarpSettings = () => <SettingsOf kind="warp" />
