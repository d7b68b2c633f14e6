export * from './unitChoices.ts';
export * from './formatQuantity.ts';
export * from './names.ts';
export * from './writeLabel.ts';
export * from './reasonSentence.ts';
export * from './fieldSentence.ts';
export * from './labelSentence.ts';
export * from './workingWords.ts';
