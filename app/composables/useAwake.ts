import { onMounted, ref, type Ref } from 'vue'

/**
 * Does the page take input yet? What is typed or touched before would be lost,
 * so what holds fields is `inert` until then.
 */
export function useAwake(): Ref<boolean> {
  const awake = ref(false)
  onMounted(() => (awake.value = true))
  return awake
}
