/** Worker thread that encodes what was played or decoded elsewhere. */
import { answering } from '../jobs/answering'
import { assetOf, type AssetBytes } from './audio/asset-bytes'

export default answering<Int16Array[], AssetBytes>(assetOf)
