<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch\Door;

use NimbleKnuckle\Core\Clutch\DiscSpring;
use NimbleKnuckle\Core\Clutch\SlipTrial;
use NimbleKnuckle\Core\Clutch\SpringStack;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\Entries;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** What is said of a clutch’s discs: one disc, how they lie, what was tried, what is in the box. */
final readonly class StackReading
{
    private const MOST_DISCS = 12;
    private const MOST_TRIALS = 30;
    private const MOST_PULLS = 40;
    private const MOST_SHIMS = 10;

    public static function spring(Inputs $in): DiscSpring
    {
        $entry = (new Entries(['De' => Kind::Length, 'Di' => Kind::Length, 't' => Kind::Length, 'l0' => Kind::Length]))->one($in, 'spring');
        [$outer, $inner, $t, $l0] = array_map($entry->number(...), ['De', 'Di', 't', 'l0']);
        $inner > 0.0 && $outer > 1.05 * $inner || throw InvalidInput::in('spring', 'It is larger outside than inside: De, then Di.');
        $outer < 500.0 || throw InvalidInput::in('spring', 'Its outside is under 500 mm.');
        $t > 0.05 && $t < $outer / 4 || throw InvalidInput::in(
            'spring', 'Its thickness is the third, in mm: over 0.05, and under a quarter of its outside.',
        );
        $l0 > $t && $l0 < 4 * $t || throw InvalidInput::in(
            'spring', 'Its free height is the fourth: more than its thickness, and under four times that.',
        );

        return new DiscSpring($outer, $inner, $t, $l0);
    }

    /** @throws InvalidInput naming the field */
    public static function stack(Inputs $in, string $field, string $text): SpringStack
    {
        return SpringStack::read($text) ?? throw InvalidInput::in(
            $field, sprintf('“%s” is no stack: write 2p 3s, or each disc from below as u or d.', mb_substr($text, 0, 40)),
        );
    }

    /** @return list<SlipTrial> */
    public static function trials(Inputs $in, DiscSpring $spring): array
    {
        if (!$in->has('trials')) {
            return [];
        }
        $items = $in->items('trials');
        count($items) <= self::MOST_TRIALS || throw InvalidInput::in('trials', sprintf('%d trials at most.', self::MOST_TRIALS));

        return array_map(static fn (mixed $item, int $i): SlipTrial => self::trial($item, $i + 1, $spring), $items, array_keys($items));
    }

    private static function trial(mixed $item, int $number, DiscSpring $spring): SlipTrial
    {
        $wrong = static fn (string $why): InvalidInput => InvalidInput::in('trials', sprintf('Trial %d: %s', $number, $why));
        $item = is_string($item) ? self::written($item) : $item;
        is_array($item) || throw $wrong('as they lay, the height, a colon, each pull: “2p 3s 19.5: 140 146 151”.');
        $text = $item['arrangement'] ?? null;
        $stack = SpringStack::read(is_string($text) ? $text : '');
        [$height, $pulls] = [self::floats([$item['height'] ?? 0])[0] ?? 0.0, self::floats($item['pulls'] ?? null)];
        null !== $stack || throw $wrong('it is no stack: write 2p 3s, or each disc from below as u or d.');
        $height > 0.0 && $height < $stack->free($spring) || throw $wrong('its height is less than that of the loose stack, in mm.');
        [] !== $pulls && self::areOver($pulls, 1, self::MOST_PULLS) || throw $wrong('one to forty pulls in N·m, over nothing.');

        return new SlipTrial($stack, $height, $pulls);
    }

    /** @return array<string, mixed>|null */
    private static function written(string $text): ?array
    {
        return 1 === preg_match('~\A(?<stack>.+?)\s+(?<height>[\d.]+)\s*(mm)?\s*:\s*(?<pulls>[\d.\s]+)(N·?m)?\z~u', trim($text), $m) ? [
            'arrangement' => $m['stack'], 'height' => $m['height'], 'pulls' => preg_split('~\s+~', trim($m['pulls'])),
        ] : null;
    }

    /** @param list<float> $numbers */
    private static function areOver(array $numbers, int $least, int $most): bool
    {
        $isNone = static fn (float $one): bool => $one <= 0.0;

        return count($numbers) >= $least && count($numbers) <= $most && [] === array_filter($numbers, $isNone);
    }

    /** @return list<float> those that are numbers; a word among them is minus one, which nothing takes */
    private static function floats(mixed $raw): array
    {
        return is_array($raw) ? array_values(array_map(static fn (mixed $one): float => is_numeric($one) ? (float) $one : -1.0, $raw)) : [];
    }

    /** @return array{int, list<float>} discs, and shims in mm */
    public static function stock(Inputs $in, SpringStack $now): array
    {
        if (!$in->has('stock')) {
            return [$now->discs(), []];
        }
        $raw = self::box($in);
        [$discs, $shims] = [$raw['discs'] ?? $now->discs(), self::floats($raw['shims'] ?? [])];
        $discs = is_numeric($discs) ? (int) $discs : 0;
        $discs >= 1 && $discs <= self::MOST_DISCS || throw InvalidInput::in(
            'stock', sprintf('Discs in the box: 1 to %d; then a semicolon and the shims.', self::MOST_DISCS),
        );
        self::areOver($shims, 0, self::MOST_SHIMS) || throw InvalidInput::in(
            'stock', sprintf('Shims are in mm, each over nothing, %d at most.', self::MOST_SHIMS),
        );

        return [$discs, $shims];
    }

    /** @return array<array-key, mixed> */
    private static function box(Inputs $in): array
    {
        $raw = $in->raw['stock'] ?? null;
        $raw = is_string($raw) && str_starts_with(trim($raw), '{') ? json_decode($raw, true, 4) : $raw;
        if (is_array($raw)) {
            return $raw;
        }
        [$discs, $shims] = [...explode(';', $in->text('stock'), 2), ''];

        return ['discs' => trim($discs), 'shims' => preg_split('~[\s,]+~', trim($shims), -1, \PREG_SPLIT_NO_EMPTY)];
    }
}
