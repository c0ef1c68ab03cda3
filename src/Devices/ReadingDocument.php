<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\NumberRows;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** A piece of a reading as a device sends it, in the format nimble-knuckle/reading@1; or a trace in rows of text. */
final readonly class ReadingDocument
{
    public const FORMAT = 'nimble-knuckle/reading@1';
    private const MOST = 20_000;
    private const ROWS = [
        'torque-angle' => '[degrees, N·m] or [degrees, N·m, ms]', 'temperature' => '[s, °C]', 'press' => '[mm, N·m]',
        'pressure' => '[s, kPa]', 'actuator' => '[kPa, mm]', 'boost' => '[s, rpm, kPa, percent of throttle]',
        'cranking' => '[s, V at the posts, V at the stud against the case, V from the case to battery minus]',
    ];
    /** How many numbers a sample has, where it is not two. */
    private const WIDE = ['torque-angle' => [2, 3], 'boost' => [4, 4], 'cranking' => [4, 4]];

    /**
     * @param list<list<float>> $samples
     * @param array<string, string> $given what its run was asked: target, label
     */
    private function __construct(
        public string $id, public string $kind, public int $from, public array $samples, public bool $done,
        public ?\DateTimeImmutable $at, public array $given,
    ) {
    }

    private static function kind(mixed $kind): string
    {
        return is_string($kind) && isset(self::ROWS[$kind]) ? $kind : throw InvalidInput::in(
            'kind', sprintf('“kind” is %s.', implode(', ', array_keys(self::ROWS))),
        );
    }

    /** @return array{int, bool} which piece of the reading it is, and whether it is the last */
    private static function piece(mixed $from, mixed $done): array
    {
        is_int($from) && $from >= 0 || throw InvalidInput::in('from', '“from” is the number of samples sent before, 0 at the start.');
        is_bool($done) || throw InvalidInput::in('done', '“done” is true or false.');

        return [$from, $done];
    }

    /** @throws InvalidInput naming the field and the remedy */
    public static function read(string $json): self
    {
        $raw = json_decode($json, true, 8);
        is_array($raw) || throw InvalidInput::in('body', 'Send a JSON object in the format '.self::FORMAT.'.');
        self::FORMAT === ($raw['format'] ?? null) || throw InvalidInput::in('format', sprintf('“format” must be %s.', self::FORMAT));
        $id = $raw['id'] ?? null;
        is_string($id)
            && 1 === preg_match('/\A[0-7][0-9A-HJKMNP-TV-Z]{25}\z/', $id)
            || throw InvalidInput::in('id', 'A reading needs a ULID as its id.');
        $kind = self::kind($raw['kind'] ?? null);
        [$from, $done] = self::piece($raw['from'] ?? 0, $raw['done'] ?? false);

        return new self(
            $id, $kind, $from, self::samples($raw['samples'] ?? [], $kind), $done,
            self::instant($raw['at'] ?? null), self::given($raw['given'] ?? []),
        );
    }

    /**
     * Rows of a text file: degrees, N·m and perhaps ms, by space, comma, semicolon or tab; a heading and decimal commas are understood.
     *
     * @return list<list<float>>
     *
     * @throws InvalidInput
     */
    public static function rows(string $text): array
    {
        try {
            $rows = array_map(static fn (array $row): array => array_slice($row, 0, 3), NumberRows::read($text));
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('trace', $e->getMessage());
        }

        return self::samples($rows, 'torque-angle', 'trace');
    }

    /** @return list<list<float>> */
    private static function samples(mixed $raw, string $kind, string $field = 'samples'): array
    {
        is_array($raw) && count($raw) <= self::MOST || throw InvalidInput::in(
            $field, sprintf('“samples” is a list of at most %d rows.', self::MOST),
        );
        $samples = [];
        foreach (array_values($raw) as $i => $row) {
            $numbers = is_array($row) ? array_values(
                array_filter(
                    $row,
                    static fn (mixed $n): bool => (is_int($n) || is_float($n)) && is_finite((float) $n) && abs((float) $n) < 1e7,
                ),
            ) : [];
            $count = count($numbers);
            [$least, $most] = self::WIDE[$kind] ?? [2, 2];
            $count >= $least && $count <= $most && $count === count((array) $row) || throw InvalidInput::in(
                $field, sprintf('Sample %d must be %s.', $i + 1, self::ROWS[$kind]),
            );
            $samples[] = array_map(floatval(...), $numbers);
        }

        return $samples;
    }

    /** @return array<string, string> */
    private static function given(mixed $given): array
    {
        is_array($given) && [] === array_filter($given, static fn (mixed $one): bool => !is_scalar($one)) || throw InvalidInput::in(
            'given', '“given” holds what the run was asked, as {"target": 80}.',
        );

        return array_combine(array_map(strval(...), array_keys($given)), array_map(
            static fn (mixed $one): string => is_scalar($one) ? (string) $one : '', array_values($given),
        ));
    }

    private static function instant(mixed $at): ?\DateTimeImmutable
    {
        if (null === $at) {
            return null;
        }
        $instant = is_string($at) && 1 === preg_match(
            '/\A\d{4}-\d\d-\d\dT[\d:.]+(?:Z|[+-]\d\d:\d\d)\z/', $at,
        ) ? date_create_immutable($at) : false;

        return false !== $instant ? $instant : throw InvalidInput::in('at', 'An instant is written as ISO 8601 with a zone.');
    }
}
