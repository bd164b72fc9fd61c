import { expect, test } from 'vitest';
import { nameInFormula, textInFormula } from './formula';

test('names with blanks, signs or meaning are quoted in formulas', () => {
    expect(['kg', 'Honey yield', 'and', 'ümläut_2', '2nd', 'a"b'].map(nameInFormula)).toEqual([
        'kg',
        '"Honey yield"',
        '"and"',
        'ümläut_2',
        '"2nd"',
        '"a""b"',
    ]);
    expect(textInFormula("keeper's")).toBe("'keeper''s'");
});
