/** The screens of sheets, meters and the Reckoner, as one lazy piece. */
export { Compare } from './compare';
export { DictionaryPage } from './dictionary/dictionary-page';
export { SheetEditor } from './editor/editor';
export { Library } from './library';
export { QuickSheetPage } from './quick/quick-sheet-page';
export { SheetPage } from './sheet-page';
export { MetersScreen } from '../meters/meters-screen';
export { ReckonerScreen } from '../reckoner/reckoner-screen';
export { ShopScreen } from '../shop/shop-screen';
