<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Safety;

/**
 * Who answers the atoms: a fit by its marks, a sheet by its plan; on a tablet the same names in assets/js/facts.js. A number has
 * the unit its atom states: minutes, °C, share, count.
 */
interface Facts
{
    /**
     * @param list<string|int> $of what it is asked of, as the atom says
     *
     * @return bool|int|float|string|list<list<bool|int|float|string>> as the atom says
     */
    public function answer(Atom $atom, array $of): bool|int|float|string|array;
}
