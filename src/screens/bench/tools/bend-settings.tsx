import { SettingsOf } from './own-settings'

/** The width and the smoothness of the bend in hand. */
export const BendSettings = () => <SettingsOf kind="bend" />
