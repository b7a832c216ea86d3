<?php

declare(strict_types=1);

namespace MistyAttic\Core\History\Unusual;

/** What makes a change worth a look. The thresholds are at {@see UnusualChanges}. */
enum UnusualType: string
{
    /** Nearly all cells of a table went at once. Evidence: `gone`, `cells`. */
    case Blanked = 'blanked';

    /** Much of the words of a text item went at once. Evidence: `gone`, `words`. */
    case MuchGone = 'much_gone';

    /**
     * A number was multiplied or divided by a power of ten, out of what its column holds. Evidence: `was`, `is`, `factor`, `least`, `most`.
     */
    case Magnitude = 'magnitude';

    /** A number left by far all that its column holds. Evidence: `was`, `is`, `least`, `most`. */
    case OutOfRange = 'out_of_range';

    /** A number changed its sign where its column has only the other. Evidence: `was`, `is`. */
    case SignFlipped = 'sign_flipped';

    /** A formula was typed over by a constant. Evidence: `was`, `is`. */
    case FormulaReplaced = 'formula_replaced';

    /** Most values of a column became of another type. Evidence: `was`, `is` (types), `cells`. */
    case TypeChanged = 'type_changed';

    /** Many rows came that are there already. Evidence: `rows`. */
    case RowsDoubled = 'rows_doubled';

    /** A question that has answers was removed. Evidence: `answers`. */
    case AnsweredRemoved = 'answered_removed';
}
