<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** One number with its unit at the head of a text, in its unit as written, and what follows. */
final readonly class WrittenFigure
{
    /** What may follow what in one figure: 1 h 30 min, 5 ft 3 in. */
    private const SMALLER = [
        [Unit::Day, Unit::Hour], [Unit::Hour, Unit::Minute], [Unit::Minute, Unit::Second], [Unit::Foot, Unit::Inch],
        [Unit::Turn, Unit::Degree],
        [Unit::Gallon, Unit::Quart], [Unit::Gallon, Unit::Pint], [Unit::Quart, Unit::Pint], [Unit::Quart, Unit::FluidOunce],
        [Unit::ImperialGallon, Unit::ImperialPint],
    ];

    private function __construct(
        public string $text,
        public Unit $unit,
        public bool $hasUnit,
        public string $rest,
        private float $value,
        private float $step,
        private bool $canBeTwo = false,
    ) {
    }

    /**
     * The usual writing, a plain number with its unit or alone, without looking for anything else; null where it is more.
     *
     * @throws InvalidQuantity
     */
    public static function plain(Kind $kind, string $text): ?Figure
    {
        if (1 !== preg_match('~\A([0-9]{1,3}|[0-9]{1,6}(?:\.[0-9]{1,6})?)\s?([^0-9\s]{0,10})\z~', $text, $m)) {
            return null;
        }
        $unit = '' === $m[2] ? $kind->baseUnit() : self::spelled($kind)[self::squeeze($m[2])] ?? null;
        $decimals = false === ($dot = strpos($m[1], '.')) ? 0 : strlen($m[1]) - $dot - 1;

        return null === $unit ? null : (new self($text, $unit, '' !== $m[2], '', (float) $m[1], 10 ** -$decimals))->figure($kind);
    }

    /**
     * @param string $text where it begins
     * @param string $whole what was written in all, for the sentence of an error
     *
     * @throws InvalidQuantity
     */
    public static function read(Kind $kind, string $text, string $whole): self
    {
        $number = WrittenNumber::read($text, $kind->denominators()) ?? throw InvalidQuantity::notReadable($kind, $whole);
        $behind = $number->isFraction ? (string) preg_replace('~\A\s*of\s+an?\s+~i', ' ', $number->rest) : $number->rest;
        [$unit, $rest] = self::unit($kind, $behind);
        if (null === $unit && !self::isSeparated($rest)) {
            throw 1 === preg_match('~[0-9]~', $rest)
                ? InvalidQuantity::notReadable($kind, $whole)
                : InvalidQuantity::unknownUnit($kind, trim($rest));
        }
        $bare = Kind::Length === $kind && $number->isFraction ? Unit::Inch : $kind->baseUnit();
        $canBeTwo = $number->isBareFraction && (Kind::Torque === $kind || Kind::Percent === $kind && null === $unit);

        return new self(
            trim(mb_substr($text, 0, mb_strlen($text) - mb_strlen($rest))), $unit ?? $bare, null !== $unit, $rest, $number->value,
            $number->step, $canBeTwo,
        );
    }

    /** The same number in the unit that the other one was written in. */
    public function in(Unit $unit): self
    {
        return new self($this->text, $unit, true, $this->rest, $this->value, $this->step, $this->canBeTwo);
    }

    /** How large it is in a unit, as a difference: no offset counts. */
    public function size(Unit $unit): float
    {
        return $this->value * $this->unit->factor() / $unit->factor();
    }

    /** Both as one figure where the second is a smaller unit of the first; null where they are two. */
    public function with(self $next, Separator $separator): ?self
    {
        if (!$this->hasUnit || !in_array($separator, [Separator::None, Separator::Also, Separator::Plus], true)) {
            return null;
        }
        if (!$next->hasUnit && Unit::Hour === $this->unit && '' === $next->rest) {
            $next = $next->in(Unit::Minute);
        }
        if (!in_array([$this->unit, $next->unit], self::SMALLER, true) || !$next->hasUnit) {
            return null;
        }

        return new self($this->text.' '.$next->text, $next->unit, true, $next->rest, $this->size($next->unit) + $next->value, $next->step);
    }

    /** @throws InvalidQuantity for 3/4 N·m, which may be three to four */
    public function ensureNotTwoWays(Kind $kind, string $text): void
    {
        if ($this->canBeTwo) {
            [$a, $b] = explode('/', (string) preg_replace('~[^0-9/]~', '', $this->text).'/');
            throw Kind::Percent === $kind
                ? InvalidQuantity::twoWays($text, sprintf('%s %%', round(100 * $this->value, 1)), sprintf('%s %%', round($this->value, 3)))
                : InvalidQuantity::twoWays($text, (string) round($this->value, 4), $a.' to '.$b);
        }
    }

    /** @throws InvalidQuantity where it is below zero or past anything */
    public function figure(Kind $kind): Figure
    {
        $quantity = Quantity::of($this->value, $this->unit);
        if ($quantity->inBase() < 0 && !$kind->mayBeNegative()) {
            throw InvalidQuantity::negative($kind, $this->text);
        }
        if (abs($quantity->inBase()) > $kind->absurdAbove() || (Kind::Temperature === $kind && $quantity->inBase() < -273.15)) {
            throw InvalidQuantity::absurd($kind, $this->text);
        }
        if (0.0 !== $this->value && abs($this->value * $this->unit->factor()) < Kind::ABSURD_BELOW) {
            throw InvalidQuantity::tooSmall($kind, $this->text);
        }

        return new Figure($quantity, $this->unit, abs($this->step * $this->unit->factor()) / 2, $this->text);
    }

    private static function isSeparated(string $rest): bool
    {
        return '' === trim($rest) || Separator::None !== Separator::at($rest)[0];
    }

    /**
     * The longest head of the text that is a unit of the kind.
     *
     * @return array{?Unit, string} the unit and what follows it
     */
    private static function unit(Kind $kind, string $rest): array
    {
        $known = self::spelled($kind);
        $whole = self::squeeze($rest);
        if (isset($known[$whole]) && '' !== $whole) {
            return [$known[$whole], ''];
        }
        // A unit ends before a space, a sign between figures, or a digit that stands apart from it.
        preg_match_all(
            '~(?<=[^\s\-])(?=[\s/(\[|;=,&+±≈.\-]|(?<=[\p{L}°%"\'.])[0-9½¼¾⅛]|\z)~u', mb_substr($rest, 0, 40), $ends,
            \PREG_OFFSET_CAPTURE,
        );
        foreach (array_reverse($ends[0]) as [, $end]) {
            $head = substr($rest, 0, $end);
            $tail = substr($rest, $end);
            $unit = $known[self::squeeze($head)] ?? null;
            if (null !== $unit && 1 !== preg_match('~[\p{L}°]\z~u', $head.(1 === preg_match('~\A\p{L}~u', $tail) ? '' : ' '))) {
                return [$unit, ltrim($tail)];
            }
        }

        return [null, ltrim($rest)];
    }

    /**
     * What people write for the units of a kind; put together once a process.
     *
     * @return array<string, Unit>
     */
    private static function spelled(Kind $kind): array
    {
        /** @var array<string, array<string, Unit>> $known */
        static $known = [];
        if (!isset($known[$kind->value])) {
            $units = [];
            foreach ($kind->units() as $unit) {
                $units += array_fill_keys($unit->spellings(), $unit);
            }
            $known[$kind->value] = $units;
        }

        return $known[$kind->value];
    }

    /** Case, spaces, dots, hyphens and multiplication signs do not matter in a unit. */
    private static function squeeze(string $unit): string
    {
        return (string) preg_replace('~[\s.\-·⋅∙•×*_]+~u', '', mb_strtolower($unit));
    }
}
