/** How well a figure is known. */
export type SourceMark = 'published' | 'trade' | 'assumed';

export type Source = { readonly mark: SourceMark; readonly name: string; readonly fromMemory: boolean };

export const SOURCES = {
  tables: {
    mark: 'published',
    name: 'USDA FoodData Central, Standard Reference: typical composition of the food',
    fromMemory: true,
  },
  yields: {
    mark: 'published',
    name: 'USDA Agriculture Handbook 102, Food Yields',
    fromMemory: true,
  },
  label: { mark: 'trade', name: 'typical trade label, common practice', fromMemory: true },
  house: {
    mark: 'assumed',
    name: 'made in the kitchen: our assumption, weigh and taste your own',
    fromMemory: true,
  },
} as const satisfies Record<string, Source>;
