<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the sums answer does not change unseen: numbers, units, bands and words. */
#[CoversNothing]
final class PinnedTest extends TestCase
{
    #[DataProvider('sums')]
    public function testAnswersAreWhatTheyWere(string $sum): void
    {
        $pins = json_decode((string) file_get_contents(Pinned::file($sum)), true, 32, \JSON_THROW_ON_ERROR);
        self::assertIsArray($pins);
        self::assertCount(Pinned::RUNS, $pins);
        foreach (Pinned::inputs($sum) as $i => $inputs) {
            $pin = $pins[$i];
            self::assertIsArray($pin);
            self::assertSame($pin['inputs'] ?? null, $inputs);
            // Through JSON and back, as a file keeps it.
            $answer = json_decode(
                json_encode(Pinned::answer($sum, $inputs), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION), true, 32,
                \JSON_THROW_ON_ERROR,
            );
            self::assertEqualsWithDelta($pin['answer'] ?? null, $answer, 1e-9, $sum.' '.json_encode($inputs, \JSON_THROW_ON_ERROR));
        }
    }

    /** @return iterable<string, array{string}> */
    public static function sums(): iterable
    {
        foreach (Pinned::sums() as $sum) {
            yield $sum => [$sum];
        }
    }

    public function testEverySumIsPinned(): void
    {
        self::assertEqualsCanonicalizing(array_keys(Doors::book()->all()), Pinned::sums());
    }
}
