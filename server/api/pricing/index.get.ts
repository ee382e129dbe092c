import { shopPricing } from '../../store/pricing'
import { route } from '../../utils/route'

export default route(async () => shopPricing())
