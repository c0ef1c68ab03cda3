<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * What a vehicle sheet says of an item beside what lies over it, as lines that a person writes, and back again: ends (“2x coil plugs,
 * guards start”), acts (“turn, from below, 19 mm socket”), measures (“height 48 mm”), a tie (“engine and body, flexible, 30 mm”),
 * cautions (“! The arm is sprung | back: Let it down slowly”).
 */
final readonly class ItemWords
{
    private const KINDS = [
        'earth' => 'earth', 'ground' => 'earth', 'plug' => 'plug', 'plugs' => 'plug', 'connector' => 'plug', 'connectors' => 'plug',
        'clip' => 'clip', 'clips' => 'clip', 'hose' => 'hose', 'hoses' => 'hose', 'tube' => 'hose', 'duct' => 'hose', 'line' => 'line',
        'lines' => 'line', 'pipe' => 'line', 'union' => 'line', 'banjo' => 'line', 'cable' => 'earth',
    ];

    /** @param array<string, string> $items id => name, as far as something may lie behind them */
    public function __construct(private array $items)
    {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public static function end(string $line): array
    {
        $parts = self::parts($line);
        1 === preg_match('~\A(?:(?<n>[0-9]{1,3})\s*[x×]?\s+)?(?<name>\S.*)\z~u', $parts[0] ?? '', $m) || throw InvalidInput::in(
            'ends', 'Write how many and what it is, for example “2x coil plugs, guards start”.',
        );
        $end = ['name' => $m['name'], 'count' => '' === $m['n'] ? 1 : (int) $m['n']];
        foreach (array_slice($parts, 1) as $at => $part) {
            $low = mb_strtolower($part);
            $guards = trim((string) preg_replace('~\Aguards?\s+(?:the\s+)?~', '', $low));
            $one = match (true) {
                null !== EndKind::tryFrom($low) => ['kind' => $low],
                '' !== $guards && in_array($guards, ItemEnd::GUARDS, true) => ['guards' => $guards],
                str_starts_with($low, 'by ') => ['joint' => trim(substr($part, 3))],
                str_starts_with($low, 'note:') => ['note' => trim(substr(implode(', ', array_slice($parts, $at + 1)), 5))],
                default => ['tool' => $part],
            };
            $end += $one;
            if (isset($one['note'])) {
                break;
            }
        }

        return isset($end['kind']) ? $end : $end + ['kind' => self::kindOf($m['name']) ?? throw InvalidInput::in('ends', sprintf(
            '“%s”: say after a comma whether it is a plug, clip, hose, line or earth.', mb_substr($m['name'], 0, 60),
        ))];
    }

    /** @param array<array-key, mixed> $end */
    public static function endLine(array $end): string
    {
        $text = static fn (string $key): string => is_scalar($end[$key] ?? null) ? (string) $end[$key] : '';

        return implode(', ', array_filter([
            ('' === $text('count') ? '1' : $text('count')).'x '.$text('name'),
            self::kindOf($text('name')) === $text('kind') ? '' : $text('kind'),
            '' === $text('guards') ? '' : 'guards '.$text('guards'), '' === $text('joint') ? '' : 'by '.$text('joint'), $text('tool'),
            '' === $text('note') ? '' : 'note: '.$text('note'),
        ], static fn (string $part): bool => '' !== $part));
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public function act(string $line): array
    {
        $parts = self::parts($line);
        $act = mb_strtolower($parts[0] ?? '');
        in_array($act, Act::KINDS, true) || throw InvalidInput::in('acts', sprintf(
            '“%s”: begin with %s, for example “turn, from below, 19 mm socket”.', mb_substr($act, 0, 40), implode(', ', Act::KINDS),
        ));

        return ['act' => $act] + (new ReachWords($this->items))->read(array_slice($parts, 1), 'acts', false);
    }

    /** @param array<array-key, mixed> $act */
    public function actLine(array $act): string
    {
        return implode(', ', [is_string($act['act'] ?? null) ? $act['act'] : '', ...(new ReachWords($this->items))->parts($act)]);
    }

    /**
     * @return array{name: string, figure: string}
     *
     * @throws InvalidInput
     */
    public static function measure(string $line): array
    {
        $isRead = 1 === preg_match('~\A(?<name>[^0-9:]+?)\s*:?\s+(?<figure>[0-9].*)\z~u', trim($line), $m);
        $isRead || throw InvalidInput::in('measures', sprintf(
            '“%s”: write what is measured and the figure with its unit, for example “height 48 mm”.', mb_substr($line, 0, 40),
        ));

        return ['name' => $m['name'], 'figure' => $m['figure']];
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public static function between(string $line): array
    {
        $parts = self::parts($line);
        $bodies = preg_split('~\s+and\s+|\s*[-–]\s*~u', mb_strtolower($parts[0] ?? '')) ?: [];
        2 === count($bodies) || throw InvalidInput::in('between', 'Write two bodies, for example “engine and body, rigid”.');
        $tie = ['between' => $bodies];
        foreach (array_slice($parts, 1) as $part) {
            $tie += match (1) {
                preg_match('~\A(rigid|flexible)\z~i', $part, $m) => ['tie' => mb_strtolower($m[1])],
                preg_match('~\A([0-9]+(?:\.[0-9]+)?)\s?mm\z~', $part, $m) => ['slack' => (float) $m[1]],
                default => throw InvalidInput::in('between', sprintf(
                    '“%s” is neither rigid, flexible nor its slack in mm.', mb_substr($part, 0, 40),
                )),
            };
        }

        return $tie;
    }

    /** @param array<array-key, mixed> $item */
    public static function betweenLine(array $item): string
    {
        $bodies = array_filter(is_array($item['between'] ?? null) ? $item['between'] : [], is_string(...));
        $slack = is_int($item['slack'] ?? null) || is_float($item['slack'] ?? null) ? $item['slack'] : 0;

        return [] === $bodies ? '' : implode(', ', array_filter([
            implode(' and ', $bodies), is_string($item['tie'] ?? null) ? $item['tie'] : '', $slack > 0 ? $slack.' mm' : '',
        ], static fn (string $part): bool => '' !== $part));
    }

    /**
     * @return array<string, mixed>|string
     *
     * @throws InvalidInput
     */
    public static function caution(string $line): array|string
    {
        $parts = array_map(trim(...), explode('|', $line));
        $text = trim(ltrim($parts[0], '!'));
        $said = '' === $text ? throw InvalidInput::in('cautions', 'Say what can hurt, a line for each.') : ['text' => $text];
        $said += str_starts_with($parts[0], '!') ? ['acknowledge' => true] : [];
        foreach (array_slice($parts, 1) as $part) {
            $said += match (true) {
                str_starts_with($part, 'back:') => ['back' => trim(substr($part, 5))],
                in_array($part, ['off only', 'on only'], true) => ['holds' => strstr($part, ' ', true)],
                default => throw InvalidInput::in('cautions', sprintf(
                    '“%s”: behind a bar stands “back:” with its words for putting back, “off only” or “on only”.', mb_substr($part, 0, 40),
                )),
            };
        }

        return ['text' => $text] === $said ? $text : $said;
    }

    public static function cautionLine(mixed $caution): string
    {
        if (!is_array($caution)) {
            return is_string($caution) ? $caution : '';
        }
        $text = static fn (string $key): string => is_string($caution[$key] ?? null) ? $caution[$key] : '';

        return (true === ($caution['acknowledge'] ?? null) ? '! ' : '').$text('text')
            .('' === $text('back') ? '' : ' | back: '.$text('back'))
            .(in_array($text('holds'), ['off', 'on'], true) ? ' | '.$text('holds').' only' : '');
    }

    private static function kindOf(string $name): ?string
    {
        foreach (array_reverse(preg_split('~[^\p{L}]+~u', mb_strtolower($name), -1, \PREG_SPLIT_NO_EMPTY) ?: []) as $word) {
            if (isset(self::KINDS[$word])) {
                return self::KINDS[$word];
            }
        }

        return null;
    }

    /** @return list<string> */
    private static function parts(string $line): array
    {
        return array_values(array_filter(array_map(trim(...), explode(',', $line)), static fn (string $part): bool => '' !== $part));
    }
}
