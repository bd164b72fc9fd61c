<?php

declare(strict_types=1);

namespace RowTally\Core\Values;

/** Why a figure has no value. Undefined is an answer: it is shown where the number would stand. */
enum Reason: string
{
    case NeedsOneValue = 'needs at least 1 value';
    case NeedsTwoValues = 'needs at least 2 values';
    case NeedsThreeValues = 'needs at least 3 values';
    case NeedsFourValues = 'needs at least 4 values';
    case NeedsFiveValues = 'needs at least 5 values';
    case NeedsEightValues = 'needs at least 8 values';
    case NeedsAtMost5000Values = 'needs at most 5,000 values';
    case NeedsMoreThanOne = 'needs counts that add up to more than 1';
    case NeedsWholeCounts = 'needs whole counts';
    case AllValuesAreEqual = 'all values are equal';
    case NeedsPositiveValues = 'needs positive values';
    case NoValueRepeats = 'no value repeats';
    case AllEquallyFrequent = 'all values are equally frequent';
    case SeveralModalClasses = 'more than one class is the modal class';
    case FirstIsZero = 'the first of the two is 0';
    case NeitherVaries = 'neither of the two varies';
    case OneDoesNotVary = 'one of the two does not vary';
    case NoPair = 'no row has both';
    case NeedsTwoPairs = 'needs at least 2 rows with both';
    case AllChangesAreEqual = 'all changes are equal';
    case MeanIsZero = 'the mean is 0';
    case MedianIsZero = 'the median is 0';
    case AboveOneTenth = 'above 0.1';
    case BelowAllTables = 'below 10⁻²³';
    case OutOfRange = 'too large or too small to be written as a number';
}
