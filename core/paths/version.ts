/** Version of the computation: raised whenever the same readings could come to other figures or calls than before. */
export const CORE_VERSION = '1.3.0'
