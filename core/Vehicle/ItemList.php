<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * Many items at once, one a line: the name, then in any order what comes off with it, where one stands and on which side; after a
 * semicolon what lies in front of it and how long it takes.
 *
 * “airbox, 3x T25 screws, 1 clip, left side; behind: intake duct, engine cover; off: 3 5 8 min; on: 4”. Also “ends:” with a stroke
 * between (“2x coil plugs, guards start / earth lead”), “act:”, “between:”, “opens:”, “protects:”, “measures:”, “weighs:”, “caution:”.
 */
final readonly class ItemList
{
    public const MOST = 200;
    private const PLACES = [
        'from above' => 'above', 'above' => 'above', 'on the floor' => 'above', 'floor' => 'above', 'ground' => 'above',
        'from below' => 'below', 'below' => 'below', 'on stands' => 'below', 'raised' => 'below', 'wheel off' => 'arch',
        'through the arch' => 'arch', 'arch' => 'arch', 'at the bench' => 'bench', 'bench' => 'bench', 'anywhere' => 'anywhere',
    ];
    private const STANCES = ['on its wheels' => 'floor', 'on ramps' => 'ramps', 'on a lift' => 'lift'];
    private const WHEELS = [
        'front left wheel' => 'fl', 'front right wheel' => 'fr', 'rear left wheel' => 'rl', 'rear right wheel' => 'rr',
    ];
    private const SIDES = [
        'front' => 'front', 'left' => 'left', 'left side' => 'left', 'right' => 'right', 'right side' => 'right', 'rear' => 'rear',
        'inside' => 'inside',
    ];
    private const KINDS = ['cover' => 'cover', 'cover only' => 'cover', 'lead' => 'lead', 'plug' => 'lead', 'part' => 'part'];
    private const TOOL = '~\A(?<tool>(?:[TE]\d{1,2}|\d{1,2}\s?mm|hex\s\d{1,2}))\s+(?<thing>.+)\z~u';

    private const TOOL_ALONE = '~\A(?:[TE]\d{1,2}(?:\s(?:bit|socket))?|\d{1,2}\s?mm(?:\s.+)?|hex\s\d{1,2}|flat screwdriver|trim fork)\z~ui';

    /** @param list<ItemLine> $lines */
    private function __construct(public array $lines)
    {
    }

    /**
     * @param string $text one item a line
     * @param array<string, string> $known id => name of what the sheet has already
     */
    public static function read(string $text, array $known): self
    {
        $written = preg_split('/\R/u', $text) ?: [];
        $written = array_filter(array_map(trim(...), $written), static fn (string $line): bool => '' !== $line);
        $names = [];
        foreach ($known as $id => $name) {
            $names[self::plain($name)] = (string) $id;
        }
        $own = [];
        foreach (array_slice($written, 0, self::MOST, true) as $line) {
            $own[] = self::plain(self::name($line));
        }
        $named = $names;
        foreach ($own as $name) {
            $named[$name] ??= self::id($name);
        }
        $lines = [];
        foreach (array_slice($written, 0, self::MOST, true) as $i => $line) {
            $lines[] = self::line($i + 1, $line, $names, $named, array_count_values($own));
        }

        return new self($lines);
    }

    /** @return list<array<string, mixed>> the items, as they would stand on the sheet */
    public function items(): array
    {
        return array_values(array_filter(array_map(static fn (ItemLine $line): array => $line->item, $this->lines)));
    }

    public function isRight(): bool
    {
        return [] !== $this->lines && [] === array_filter($this->lines, static fn (ItemLine $line): bool => [] !== $line->wrong);
    }

    /** What a name becomes as an id. */
    public static function id(string $name): string
    {
        $id = trim((string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($name)), '-');

        return mb_substr(1 === preg_match('/\A\d+\z/', $id) ? 'no-'.$id : $id, 0, 60);
    }

    /**
     * @param array<string, string> $names name => id of what the sheet has
     * @param array<string, string> $named those and the ones of this list
     * @param array<string, int> $times how often a name stands in this list
     */
    private static function line(int $number, string $line, array $names, array $named, array $times): ItemLine
    {
        $name = self::name($line);
        $parts = array_map(trim(...), explode(';', $line));
        $item = ['id' => self::id($name), 'name' => $name] + self::wheel($name) + ['place' => 'above'];
        $wrong = [];
        if ('' === $item['id'] || mb_strlen($name) > 120) {
            $wrong[] = 'Begin with a name of letters and digits.';
        } elseif (isset($names[self::plain($name)]) || ($times[self::plain($name)] ?? 0) > 1) {
            $wrong[] = sprintf('“%s” is there twice: take the line away, or give it another name.', $name);
        }
        foreach ([...array_slice(explode(',', $parts[0]), 1), ...array_slice($parts, 1)] as $i => $said) {
            try {
                $item = $i < substr_count($parts[0], ',') ? self::with($item, trim($said)) : self::over($item, self::keyed($said, $named));
            } catch (InvalidInput $e) {
                $wrong[] = $e->getMessage();
            }
        }
        try {
            [] === $wrong && Item::read(Node::of($item));
        } catch (InvalidDocument $e) {
            $wrong[] = $e->getMessage();
        }

        return new ItemLine($number, $line, [] === $wrong ? $item : [], $wrong);
    }

    /**
     * What may be said more than once is added to what was said.
     *
     * @param array<string, mixed> $item
     * @param array<string, mixed> $more
     *
     * @return array<string, mixed>
     */
    private static function over(array $item, array $more): array
    {
        foreach (array_intersect(['acts', 'cautions'], array_keys($more)) as $key) {
            $more[$key] = [...(is_array($item[$key] ?? null) ? $item[$key] : []), ...(array) $more[$key]];
        }

        return $more + $item;
    }

    /**
     * @param array<string, mixed> $item
     *
     * @return array<string, mixed>
     */
    private static function with(array $item, string $said): array
    {
        $low = mb_strtolower($said);
        $word = match (true) {
            '' === $said => [],
            isset(self::PLACES[$low]) => ['place' => self::PLACES[$low]],
            isset(self::STANCES[$low]) => ['stance' => self::STANCES[$low]],
            isset(self::SIDES[$low]) => ['side' => self::SIDES[$low]],
            isset(self::KINDS[$low]) => ['kind' => self::KINDS[$low]],
            default => null,
        };
        if (null !== $word) {
            return $word + $item;
        }
        $tray = is_array($item['tray'] ?? null) ? $item['tray'] : [];

        $isTool = 1 === preg_match(self::TOOL_ALONE, $said);

        return ['tray' => $isTool ? self::withTool($tray, $said) : [...$tray, self::pieces($said)]] + $item;
    }

    /**
     * @param array<array-key, mixed> $tray
     *
     * @return list<mixed> the tool belongs to what was said before it
     */
    private static function withTool(array $tray, string $tool): array
    {
        $last = array_pop($tray);
        is_array($last) && !isset($last['tool']) || throw InvalidInput::in(
            'list', sprintf('“%s” has nothing to turn: say first what comes off with it, “3 screws, %1$s”.', $tool),
        );

        return [...array_values($tray), $last + ['tool' => $tool]];
    }

    /** @return array{thing: string, count: int, tool?: string} “3x T25 screws”: the drive is the tool */
    private static function pieces(string $said): array
    {
        $line = Shorthand::trayLine($said);
        if (1 === preg_match(self::TOOL, $line['thing'], $m)) {
            $drive = $m['tool'];

            return ['thing' => $m['thing'], 'count' => $line['count'], 'tool' => str_contains($drive, 'mm') ? $drive.' socket' : $drive];
        }

        return $line;
    }

    /**
     * @param array<string, string> $named
     *
     * @return array<string, mixed>
     */
    private static function keyed(string $said, array $named): array
    {
        if ('' === $said) {
            return [];
        }
        [$key, $value] = array_map(trim(...), explode(':', $said, 2)) + [1 => ''];

        return match (mb_strtolower($key)) {
            'behind' => ['behind' => self::behind($value, $named)],
            'off', 'on' => [mb_strtolower($key) => self::minutes($value)],
            'note', 'taking it off' => ['remove_note' => mb_substr($value, 0, 500)],
            'putting it back' => ['refit_note' => mb_substr($value, 0, 500)],
            default => self::known(mb_strtolower($key), $value, $named, $said),
        };
    }

    /**
     * What a line may further say, each as the editor writes it.
     *
     * @param array<string, string> $named
     *
     * @return array<string, mixed>
     */
    private static function known(string $key, string $value, array $named, string $said): array
    {
        $each = static fn (string $stroke): array => array_values(array_filter(
            array_map(trim(...), preg_split('~'.$stroke.'~', $value) ?: []), static fn (string $one): bool => '' !== $one,
        ));

        return match ($key) {
            'ends' => ['ends' => array_map(ItemWords::end(...), $each('/'))],
            'act' => ['acts' => [(new ItemWords(array_flip($named)))->act($value)]],
            'between' => ItemWords::between($value),
            'opens' => ['opens' => array_map(mb_strtolower(...), $each(','))],
            'protects' => ['protects' => mb_strtolower($value)],
            'measures' => ['measures' => array_map(ItemWords::measure(...), $each(','))],
            'weighs' => ['mass' => self::mass($value)],
            'caution' => ['cautions' => [ItemWords::caution($value)]],
            default => throw InvalidInput::in('list', sprintf(
                '“%s” is not understood: after a semicolon stands behind:, off:, on:, note:, ends:, act:, between:, opens:, protects:, '
                    .'measures:, weighs: or caution:.', mb_substr($said, 0, 40),
            )),
        };
    }

    private static function mass(string $value): float
    {
        try {
            return Notation::read(Kind::Mass, $value)->value();
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('list', 'weighs: '.lcfirst($e->getMessage()));
        }
    }

    /** @return array<string, string> which wheel it is, by its name: nothing needs it before the engine runs */
    private static function wheel(string $name): array
    {
        $wheel = self::WHEELS[self::plain($name)] ?? '';

        return '' === $wheel ? [] : ['wheel' => $wheel, 'place' => 'arch', 'kind' => 'cover'];
    }

    /**
     * @param array<string, string> $named
     *
     * @return list<string>
     */
    private static function behind(string $value, array $named): array
    {
        return array_map(static fn (string $name): string => $named[self::plain($name)] ?? throw InvalidInput::in('list', sprintf(
            'There is no “%s”: write it as the sheet does, or give it a line of its own.', mb_substr(trim($name), 0, 60),
        )), array_values(array_filter(explode(',', $value), static fn (string $name): bool => '' !== trim($name))));
    }

    /** @return list<float> low, likely, high */
    private static function minutes(string $value): array
    {
        $bare = trim((string) preg_replace('/\s*min(utes)?\s*\z/i', '', $value));
        $numbers = preg_split('/[\s\/]+/', $bare, -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        try {
            $read = array_map(static fn (string $one): float => Notation::read(Kind::Duration, $one)->value(), $numbers);

            return match (count($read)) {
                1 => Minutes::around($read[0])->toArray(),
                3 => (new Minutes(...$read))->toArray(),
                default => throw new \DomainException(),
            };
        } catch (InvalidQuantity|\DomainException) {
            throw InvalidInput::in('list', sprintf(
                '“%s” are no minutes: give one number, or three that rise: low, likely, high.', mb_substr($value, 0, 30),
            ));
        }
    }

    private static function name(string $line): string
    {
        return trim(preg_split('/[,;]/', $line)[0] ?? '');
    }

    private static function plain(string $name): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', mb_strtolower($name)));
    }
}
