<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * From where something is reached, with what off and with which tool, as parts of a line with commas between: “from below, right
 * side, 15 mm socket, behind under-pan + front shield”.
 */
final readonly class ReachWords
{
    private const PLACES = [
        'from above' => 'above', 'above' => 'above', 'from below' => 'below', 'below' => 'below', 'through the arch' => 'arch',
        'arch' => 'arch', 'wheel off' => 'arch', 'at the bench' => 'bench', 'bench' => 'bench',
    ];
    private const SAID = ['above' => 'from above', 'below' => 'from below', 'arch' => 'through the arch', 'bench' => 'at the bench'];
    private const SIDES = [
        'front' => 'front', 'left' => 'left', 'left side' => 'left', 'right' => 'right', 'right side' => 'right', 'rear' => 'rear',
        'inside' => 'inside',
    ];
    private const BODY = ['at its weight' => 'weight', 'weight on' => 'weight', 'lifted' => 'lifted', 'body lifted' => 'lifted'];

    /** @param array<string, string> $items id => name of what may lie in front */
    public function __construct(private array $items)
    {
    }

    /**
     * @param list<string> $parts those behind the first
     *
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public function read(array $parts, string $field, bool $isJoint): array
    {
        $said = [];
        foreach ($parts as $at => $part) {
            $low = mb_strtolower($part);
            $one = match (true) {
                isset(self::PLACES[$low]) => ['place' => self::PLACES[$low]],
                isset(self::SIDES[$low]) => ['side' => self::SIDES[$low]],
                $isJoint && isset(self::BODY[$low]) => ['body' => self::BODY[$low]],
                $isJoint && in_array($low, ['held', 'held still'], true) => ['held' => true],
                $isJoint && str_starts_with($low, 'off with ') => ['tool_off' => trim(substr($part, 9))],
                1 === preg_match('~\Abehind[ :]~', $low) => ['behind' => $this->behind(substr($part, 7), $field)],
                !$isJoint && str_starts_with($low, 'note:') => ['note' => trim(substr(implode(', ', array_slice($parts, $at)), 5))],
                default => ['tool' => $part],
            };
            $again = array_intersect_key($one, $said);
            [] === $again || throw InvalidInput::in($field, sprintf(
                '“%s”: that was said before, or is no place, side or tool known here.', mb_substr($part, 0, 40),
            ));
            $said += $one;
            if (isset($one['note'])) {
                break;
            }
        }

        return $said;
    }

    /**
     * @param array<array-key, mixed> $thing
     *
     * @return list<string>
     */
    public function parts(array $thing): array
    {
        $text = static fn (string $key): string => is_scalar($thing[$key] ?? null) ? (string) $thing[$key] : '';
        // A name with a comma or a plus in it would be read as two.
        $name = fn (string $id): string => false === strpbrk($this->items[$id] ?? ',', ',+') ? $this->items[$id] : $id;
        $behind = array_map($name, array_filter(is_array($thing['behind'] ?? null) ? $thing['behind'] : [], is_string(...)));

        return array_values(array_filter([
            self::SAID[$text('place')] ?? '', 'anywhere' === $text('side') ? '' : $text('side'), $text('tool'),
            self::after('off with ', $text('tool_off')), ['weight' => 'at its weight', 'lifted' => 'lifted'][$text('body')] ?? '',
            true === ($thing['held'] ?? null) ? 'held' : '', self::after('behind ', implode(' + ', $behind)),
            self::after('note: ', $text('note')),
        ], static fn (string $part): bool => '' !== $part));
    }

    private static function after(string $word, string $said): string
    {
        return '' === $said ? '' : $word.$said;
    }

    /** @return list<string> ids */
    private function behind(string $named, string $field): array
    {
        $ids = [];
        foreach (array_filter(array_map(trim(...), explode('+', $named)), static fn (string $one): bool => '' !== $one) as $one) {
            $found = array_search(mb_strtolower($one), array_map(mb_strtolower(...), $this->items), true);
            $ids[] = isset($this->items[$one]) ? $one : (is_string($found) ? $found : throw InvalidInput::in($field, sprintf(
                'There is no “%s” on the sheet: write it as the sheet does.', mb_substr($one, 0, 60),
            )));
        }

        return $ids;
    }
}
