<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

/** A document with one leaf exchanged after another. */
final readonly class Leaves
{
    private const INSTEAD = [
        -1, 0, 1, 2, 5, 8, 20, 50, 100, 200, 201, 360, 361, 1000, 1000.5, 1080, 99999, '', 'x', true, null, [], [1, 2],
    ];

    /**
     * @param array<array-key, mixed> $document
     *
     * @return iterable<string, array<array-key, mixed>> where, and what was put there => the document
     */
    public static function of(array $document, int $every): iterable
    {
        $n = 0;
        foreach (self::paths($document) as $path) {
            foreach (self::INSTEAD as $k => $value) {
                if (0 === (++$n + $k) % $every) {
                    yield implode('.', $path).' '.$k => self::with($document, $path, $value);
                }
            }
        }
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return iterable<list<array-key>>
     */
    private static function paths(array $document): iterable
    {
        foreach ($document as $key => $value) {
            yield [$key];
            foreach (is_array($value) ? self::paths($value) : [] as $path) {
                yield [$key, ...$path];
            }
        }
    }

    /**
     * @param array<array-key, mixed> $document
     * @param list<array-key> $path
     *
     * @return array<array-key, mixed>
     */
    public static function with(array $document, array $path, mixed $value): array
    {
        $key = array_shift($path) ?? 0;
        $inside = $document[$key] ?? [];
        $document[$key] = [] === $path ? $value : self::with(is_array($inside) ? $inside : [], $path, $value);

        return $document;
    }
}
