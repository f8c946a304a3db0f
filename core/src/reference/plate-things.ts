import type { Chemistry } from './batteries.js';

/**
 * What a thing may be by the words on its plate, in several languages, with the id of its kind among the typical loads. Common
 * practice, no published source.
 */
export const PLATE_NAMES: readonly (readonly [words: RegExp, kind: string])[] = [
  [/roof ?(?:top)?.{0,12}air|air.{0,12}roof|recreational vehicle air/, 'roof-air-large'],
  [/window.{0,14}air|air.{0,14}window|room air/, 'window-air'],
  [/portable air|mobiles? klima/, 'portable-air'],
  [
    /air ?con(?:ditioner)?|climatiseur|climatisation|klimaanlage|klimagerät|aire acondicionado/,
    'roof-air-large',
  ],
  [/dehumidifier|entfeuchter|déshumidificateur/, 'dehumidifier'],
  [/air compressor|druckluft/, 'air-compressor-small'],
  [/freezer|gefrier|congélateur|congelador/, 'freezer'],
  [/refrigerator|fridge|kühlschrank|réfrigérateur|frigorífico|frigorifero/, 'refrigerator'],
  [/ice ?maker/, 'ice-maker'],
  [/kettle|wasserkocher|bouilloire|hervidor|bollitore/, 'kettle'],
  [/coffee|kaffee|café|caffè/, 'coffee-maker'],
  [/toaster|grille-pain/, 'toaster'],
  [/microwave|mikrowelle|micro-?ondes|microondas/, 'microwave'],
  [/induction|induktion/, 'induction-hob'],
  [/hot ?plate|kochplatte/, 'coil-plate'],
  [/oven|backofen|four\b|horno/, 'oven'],
  [/pressure (?:pot|cooker)|multi ?cooker/, 'pressure-pot'],
  [/rice cooker/, 'rice-cooker'],
  [/slow cooker/, 'slow-cooker'],
  [/hair ?dryer|haartrockner|sèche-cheveux|secador/, 'hair-dryer'],
  [/heat gun|heißluft/, 'heat-gun'],
  [/water heater|boiler|chauffe-eau|calentador/, 'water-heater'],
  [/ceramic/, 'ceramic-heater'],
  [/oil.{0,8}radiator|ölradiator/, 'oil-radiator'],
  [/space heater|fan heater|heizlüfter|radiateur|chauffage|\bheater\b|heizgerät/, 'space-heater'],
  [/iron\b|bügeleisen|fer à repasser/, 'iron'],
  [/table saw|tischkreissäge|scie sur table/, 'table-saw'],
  [/band ?saw|bandsäge/, 'band-saw'],
  [/mit(?:re|er) saw|chop saw|kappsäge/, 'mitre-saw'],
  [/circular saw|handkreissäge|scie circulaire/, 'circular-saw'],
  [/planer|hobel|raboteuse/, 'planer'],
  [/jointer/, 'jointer'],
  [/lathe|drehbank|drechsel/, 'lathe'],
  [/drill press|standbohr/, 'drill-press'],
  [/bench grinder|doppelschleif/, 'bench-grinder'],
  [/angle grinder|winkelschleif|meuleuse/, 'angle-grinder'],
  [/router\b(?! and)|oberfräse|défonceuse/, 'router'],
  [/sander|schleifer|ponceuse/, 'sander'],
  [/dust (?:extractor|collector)|absaug/, 'dust-extractor'],
  [/wet.{0,5}dry|shop ?vac/, 'shop-vacuum'],
  [/vacuum|\bvac\b(?! ?\d)|staubsauger|aspirateur|aspiradora/, 'vacuum'],
  [/pump|pumpe|pompe|bomba/, 'water-pump'],
  [/washing|waschmaschine|lave-linge|lavadora/, 'washing-machine'],
  [/tumble dryer|wäschetrockner/, 'tumble-dryer'],
  [/blender|mixer/, 'blender'],
  [/welder|schweiß|soudage/, 'welder'],
  [/charger|ladegerät|chargeur|cargador/, 'tool-charger'],
  [/adapt[eo]r|power supply|netzteil|alimentation/, 'laptop'],
  [/television|\btv\b/, 'television'],
  [/monitor|computer/, 'desktop'],
  [/\bfan\b|ventilator/, 'fan'],
];

/** Words that say that a thing is none of the loads. */
export const PLATE_DEVICES = {
  converter: /inverter(?! (?:type|compressor|driven))|wechselrichter|onduleur|inversor/,
  generator: /generator|stromerzeuger|génératrice|groupe électrogène|generador|alternator/,
  battery: /batter(?:y|ie)|accu\b|akku|acumulador|li ?fe ?po ?4|lithium|\bagm\b|\bgel\b/,
} as const;

export const PLATE_CHEMISTRIES: readonly (readonly [words: RegExp, chemistry: Chemistry])[] = [
  [/li ?fe ?po ?4|lifepo|lfp/, 'lfp'],
  [/agm/, 'agm'],
  [/\bgel\b/, 'gel'],
  [/flooded|wet cell|nass/, 'flooded'],
];

export const PLATE_FUELS: readonly (readonly [words: RegExp, fuel: 'petrol' | 'diesel' | 'lp-gas'])[] = [
  [/petrol|gasoline|benzin|essence|gasolina/, 'petrol'],
  [/diesel|gasoil/, 'diesel'],
  [/propane|lpg|lp[- ]gas|butane/, 'lp-gas'],
];

export const PLATE_WAVEFORMS: readonly (readonly [words: RegExp, waveform: 'sine' | 'modified-sine'])[] = [
  [/modified|mod\. ?sine|quasi/, 'modified-sine'],
  [/pure ?sine|true ?sine|sine ?wave|sinus/, 'sine'],
];
