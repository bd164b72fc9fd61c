import { expect, test } from 'vitest';
import { conditionOfClass, nameInFormula, textInFormula } from './formula';

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

test('the rows behind a class are those that the histogram counts in it', () => {
    const edges = [0, 0.1, 0.2];
    expect(conditionOfClass('kg', edges, 0, 'left', [], '')).toBe('0 <= kg < 0.1');
    expect(conditionOfClass('kg', edges, 1, 'left', [], '')).toBe('0.1 <= kg <= 0.2');
    expect(conditionOfClass('kg', edges, 0, 'right', [], '')).toBe('0 <= kg <= 0.1');
    expect(conditionOfClass('Honey yield', edges, 1, 'right', [{ name: 'Apiary', label: "O'Hara" }], '')).toBe(
        "0.1 < \"Honey yield\" <= 0.2 and Apiary = 'O''Hara'",
    );
    expect(conditionOfClass('kg', edges, 0, 'left', [{ name: 'Apiary', label: null }], '')).toBe('0 <= kg < 0.1 and missing(Apiary)');
});
