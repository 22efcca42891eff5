// Tables as makers publish them: what a measure is of, and where.
import type { PublishedTable } from '../published-table';

export const PLACES_AND_GARMENTS: readonly PublishedTable[] = [
  {
    what: 'sizes by weight down the side and height along the top',
    text: 'Weight (kg) \\ Height (cm),160-168,168-176,176-184\n50-60,S,S,M\n60-75,S,M,L\n75-90,M,L,L',
    understood: [['asks mass down']],
  },
  {
    what: 'a lower and an upper waist are two places',
    text: 'Size,Lower waist (cm),Upper waist (cm)\nS,70-78,66-74\nM,78-86,74-82',
    understood: [['asks left-out 2, which-measurement 1']],
  },
  {
    what: 'an upper hip beside the lower one',
    text: 'Size,Upper hip (cm),Lower hip (cm)\nS,86-94,90-98\nM,94-102,98-106',
    understood: [['asks which-measurement 2']],
  },
  {
    what: 'a lower arm is no end of the upper',
    text: 'Size,Chest (cm),Upper arm (cm),Lower arm (cm)\nS,86-94,28-30,24-26\nM,94-102,30-32,26-28',
    understood: [['asks which-measurement 3']],
  },
  {
    what: 'half measures told in brackets',
    text: 'Size,Chest (half) cm,Hip (half) cm\nS,45-47,47-49\nM,49-51,51-53',
    understood: [['asks flat 1, flat 2']],
  },
  {
    what: 'half measures told in figures',
    text: 'Size,1/2 chest (cm),1/2 hip (cm)\nS,45-47,47-49\nM,49-51,51-53',
    understood: [['asks flat 1, flat 2']],
  },
  {
    what: 'half measures told by one sign',
    text: 'Size,½ Chest (cm),½ Hip (cm)\nS,45-47,47-49\nM,49-51,51-53',
    understood: [['asks flat 1, flat 2']],
  },
  {
    what: 'half of what has a name of its own',
    text: 'Size,Trouser waist (half) (cm)\nS,36-40\nM,40-44',
    understood: [['asks flat 1']],
  },
  {
    what: 'half measures of which nobody says the unit are no inches',
    text: 'Size,1/2 Chest,1/2 Hip\nS,46,48\nM,50,52',
    understood: [['asks flat 1, flat 2']],
  },
  {
    what: 'half measures in German',
    text: 'Größe;1/2 Hüftumfang (cm);Brustumfang (cm)\nS;46;86-94\nM;50;94-102',
    understood: [['asks flat 1, which-measurement 2']],
  },
  {
    what: 'a garment’s measure told in brackets',
    text: 'Size,Chest (garment) (cm)\nS,100-104\nM,108-112',
    understood: [['asks garment 1']],
  },
  {
    what: 'a finished waistband',
    text: 'Size,Trouser waist (finished) (cm)\nS,76-80\nM,84-88',
    understood: [['asks garment 1']],
  },
  {
    what: 'a group’s heading says that it is of the garment',
    text: ',Garment measurements,\nSize,Chest (cm),Hip (cm)\nS,100,104\nM,108,112',
    understood: [['asks garment 1']],
  },
  {
    what: 'body and garment in groups beside each other',
    text: ',Body,,Garment,\nSize,Chest (cm),Hip (cm),Chest (cm),Hip (cm)\nS,86-94,90-98,100,104\nM,94-102,98-106,108,112',
    understood: [['asks left-out 3, left-out 4']],
  },
  {
    what: 'a note says that it lies flat',
    text: 'Size,Chest (cm),Hip (cm)\nS,50,52\nM,54,56\nAll dimensions taken flat from seam to seam,,',
    understood: [['asks flat 1, flat 2']],
  },
  {
    what: 'a note in other words',
    text: 'Size,Chest (cm),Hip (cm)\nS,50,52\nM,54,56\n* measured across the garment lying flat,,',
    understood: [['asks flat 1, flat 2']],
  },
  {
    what: 'a note speaks of the finished garment',
    text: 'Size,Chest (cm),Hip (cm)\nS,104,108\nM,112,116\nThese are the sizes of the finished garment.,,',
    understood: [['asks garment 1, garment 2']],
  },
  {
    what: 'one word for the size and the waist',
    text: 'Taille,Tour de poitrine (cm),Taille (cm)\nS,86-94,70-78\nM,94-102,78-86',
    understood: [['asks which-measurement 1, which-measurement 2']],
  },
  {
    what: 'the waist by a word for size',
    text: 'Size,Taille (cm)\nS,70-78\nM,78-86',
    understood: [['asks which-measurement 1']],
  },
];
