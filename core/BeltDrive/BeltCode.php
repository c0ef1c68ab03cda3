<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/**
 * What stands on a ribbed belt: “6PK1915” by ISO 9981 (ribs, section, effective length in mm), or “K060755” (section, ribs,
 * tenths of an inch). Words beside it are said back and not read.
 */
final readonly class BeltCode
{
    private const METRIC = '~(?<![0-9])(?<ribs>[0-9]{1,2})\s*-?\s*(?<section>P[HJKLM])\s*-?\s*'
        .'(?<length>[0-9]{3,4}(?:[.,][0-9])?)(?![0-9])~i';
    private const INCH = '~(?<![A-Z0-9])(?<section>[JKLM])\s?(?<ribs>[0-9]{2})\s?(?<tenths>[0-9]{4})(?![0-9])~i';
    private const RIBS = 24;
    /** mm of effective length that a belt of an engine has. */
    private const LENGTHS = [300.0, 4000.0];

    /** @param string $unread what else stands there */
    private function __construct(public BeltSection $section, public int $ribs, public float $length, public string $unread)
    {
    }

    /** Null where no code stands there. */
    public static function read(string $text): ?self
    {
        $text = trim($text);
        if (1 === preg_match(self::METRIC, $text, $m)) {
            return self::made($m['section'], (int) $m['ribs'], (float) str_replace(',', '.', $m['length']), $text, $m[0]);
        }
        if (1 === preg_match(self::INCH, $text, $m)) {
            return self::made('P'.$m['section'], (int) $m['ribs'], (int) $m['tenths'] * 2.54, $text, $m[0]);
        }

        return null;
    }

    private static function made(string $section, int $ribs, float $length, string $text, string $read): ?self
    {
        $known = BeltSection::named($section);
        $isSound = $ribs > 0 && $ribs <= self::RIBS && $length >= self::LENGTHS[0] && $length <= self::LENGTHS[1];

        return null === $known || !$isSound ? null : new self($known, $ribs, $length, trim(str_replace($read, ' ', $text)));
    }

    /** “6PK1915”. */
    public function said(): string
    {
        return sprintf('%d%s%d', $this->ribs, $this->section->name, (int) round($this->length));
    }
}
