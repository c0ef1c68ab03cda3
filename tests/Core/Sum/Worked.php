<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use Symfony\Component\Yaml\Yaml;

/** The worked rows of worked.yaml, and what a sum says where one of their fields is changed. */
final readonly class Worked
{
    /**
     * @return array<string, list<array{source: string, inputs: array<string, string>,
     *     answers: array<string, float|int|string|list<float|int|string>>, within?: float}>>
     */
    public static function rows(): array
    {
        static $rows = null;
        /**
         * @var array<string, list<array{source: string, inputs: array<string, string>,
         *     answers: array<string, float|int|string|list<float|int|string>>, within?: float}>> $rows
         */
        $rows ??= Yaml::parseFile(__DIR__.'/worked.yaml');

        return $rows;
    }

    /** @return array<string, string> inputs of its first row */
    public static function first(string $sum): array
    {
        return self::rows()[$sum][0]['inputs'];
    }

    /** A number as it is typed. */
    public static function typed(float $value): string
    {
        return rtrim(rtrim(sprintf('%.9F', $value), '0'), '.');
    }

    /**
     * What is said at a field; empty where it is taken, or where another field is at fault.
     *
     * @param array<string, string> $given
     */
    public static function refusal(Sum $sum, array $given, string $field): string
    {
        try {
            $sum->compute(Inputs::of($given, $sum->about()->fields()));
        } catch (InvalidInput $e) {
            return $e->field === $field ? $e->getMessage() : '';
        }

        return '';
    }
}
