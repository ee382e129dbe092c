import { told } from '../../../words/problems'
import { num, sayOfCheck, shape } from '../../../core/check'
import { keepShopPricing, type ShopPricing } from '../../store/pricing'
import { checkInput, readJson, route } from '../../utils/route'

const horizon = () => num(0, 1e7)
const schema = shape({
  hourRate: num(0, 10_000),
  newPart: num(0, 1),
  damage: num(0, 1e7),
  horizons: shape({ km: horizon(), mi: horizon(), h: horizon() })
}).required(sayOfCheck('object'))

export default route(async (event) => {
  const pricing = checkInput(schema, await readJson(event), told('no-assumptions')) as ShopPricing
  await keepShopPricing(pricing)
  return pricing
})
