/** Elements and events of the browser, for the templates' scripts. */
export type Canvas = HTMLCanvasElement
export type Player = HTMLAudioElement
export type Wheel = WheelEvent
export type Mouse = MouseEvent
