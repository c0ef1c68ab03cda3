<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Costs;

use NimbleKnuckle\Core\Cost\Cost;
use NimbleKnuckle\Core\Cost\PartUsed;
use Symfony\Component\HttpFoundation\InputBag;

/** The rows of parts as they were sent: one a part, and empty ones for what came on. */
final readonly class CostForm
{
    public const MOST = 200;

    /**
     * @param list<array{name: string, number: string, used: string, each: string}> $rows as typed
     * @param array<string, string> $errors row and field => what is wrong
     * @param list<PartUsed> $parts where nothing is
     */
    private function __construct(public array $rows, public array $errors, public array $parts)
    {
    }

    /** @param InputBag<string> $form */
    public static function read(InputBag $form): self
    {
        $rows = $errors = $parts = $seen = [];
        $text = static fn (mixed $value): string => is_string($value) ? trim($value) : '';
        [$names, $numbers, $used, $each] = array_map(
            static fn (string $field): array => array_values($form->all($field)), ['name', 'number', 'used', 'each'],
        );
        foreach (array_slice($names, 0, self::MOST) as $n => $name) {
            $row = [
                'name' => mb_substr($text($name), 0, 160), 'number' => mb_substr($text($numbers[$n] ?? ''), 0, 60),
                'used' => $text($used[$n] ?? ''), 'each' => $text($each[$n] ?? ''),
            ];
            if ('' === implode('', $row)) {
                continue;
            }
            $i = count($rows);
            $rows[] = $row;
            '' !== $row['name'] || $errors[$i.'.name'] = 'Name the part.';
            $key = mb_strtolower($row['name']);
            isset($seen[$key]) && $errors[$i.'.name'] = 'This part stands here twice.';
            $seen[$key] = true;
            [$number, $price] = [self::number($row['used']), self::number($row['each'])];
            false === $number && $errors[$i.'.used'] = 'How many were used is a number, like 2 or 0.5.';
            false === $price && $errors[$i.'.each'] = 'A price is a number, like 18.50.';
            if (false !== $number && false !== $price) {
                $parts[] = new PartUsed($row['name'], $row['number'], 0.0, $number, $price);
            }
        }

        return new self($rows, $errors, $parts);
    }

    /**
     * The rows as the page shows them: what was typed, else what is known, and three empty ones.
     *
     * @return list<array{name: string, number: string, used: string, each: string, planned: float, cost: ?float, known: bool}>
     */
    public static function shown(Cost $cost, ?self $typed): array
    {
        $parts = $rows = [];
        foreach ($cost->parts as $part) {
            $parts[$part->name] = $part;
        }
        $number = static fn (?float $value): string => null === $value ? '' : (string) round($value, 4);
        foreach ($typed->rows ?? array_map(static fn (PartUsed $part): array => [
            'name' => $part->name, 'number' => $part->number, 'used' => $number($part->used), 'each' => $number($part->each),
        ], $cost->parts) as $row) {
            $part = $parts[$row['name']] ?? null;
            $rows[] = $row + [
                'planned' => $part->planned ?? 0.0, 'known' => null !== $part,
                'cost' => null === $part || null === $part->each ? null : $part->usedCost(),
            ];
        }
        $empty = ['name' => '', 'number' => '', 'used' => '', 'each' => '', 'planned' => 0.0, 'cost' => null, 'known' => false];

        return [...$rows, $empty, $empty, $empty];
    }

    /**
     * A price list as rows.
     *
     * @param list<PartPrice> $prices
     *
     * @return list<array{name: string, number: string, used: string, each: string}>
     */
    public static function listed(array $prices): array
    {
        return array_map(static fn (PartPrice $price): array => [
            'name' => $price->name, 'number' => $price->number, 'used' => '',
            'each' => null === $price->price ? '' : (string) round($price->price, 4),
        ], $prices);
    }

    /** @return float|false|null null where nothing was written */
    private static function number(string $text): float|false|null
    {
        $plain = strtr(str_replace([' ', "\u{202F}", "\u{a0}"], '', $text), [',' => '.']);

        return match (true) {
            '' === $plain => null,
            1 === preg_match('/\A\d{1,7}(\.\d{1,4})?\z/', $plain) => (float) $plain,
            default => false,
        };
    }
}
