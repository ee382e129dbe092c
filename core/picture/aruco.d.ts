/** The reader of square codes ships no types: what is used of it. */
declare module 'js-aruco2' {
  /** `corners`: clockwise from the code's own top left. */
  interface Detector {
    detect(image: { width: number; height: number; data: Uint8ClampedArray | Uint8Array }): {
      id: number
      corners: { x: number; y: number }[]
    }[]
  }
  /** `codeList`: bits of each code, row by row. */
  interface Dictionary {
    codeList: string[]
  }
  const aruco: {
    AR: {
      Detector: new (config: { dictionaryName: string; maxHammingDistance: number }) => Detector
      Dictionary: new (name: string) => Dictionary
    }
  }
  export default aruco
}
