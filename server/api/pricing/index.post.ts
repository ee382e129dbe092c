import { told } from '../../../words/problems'
import { shopPricingSchema } from '../../../core/record'
import { keepShopPricing, type ShopPricing } from '../../store/pricing'
import { checkInput, readJson, route } from '../../utils/route'

export default route(async (event) => {
  const pricing = checkInput(shopPricingSchema, await readJson(event), told('no-assumptions')) as ShopPricing
  await keepShopPricing(pricing)
  return pricing
})
