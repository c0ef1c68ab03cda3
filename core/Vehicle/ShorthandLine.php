<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/** A joint of a vehicle sheet written as the line it could have been entered by, to be changed and read again. */
final readonly class ShorthandLine
{
    /** @param array<array-key, mixed> $joint as it stands in nimble-knuckle/vehicle@2 */
    private function __construct(private array $joint)
    {
    }

    /** @param array<array-key, mixed> $joint as it stands in nimble-knuckle/vehicle@2 */
    public static function of(array $joint): string
    {
        $line = new self($joint);
        [$count, $shape] = $line->places();
        $parts = [
            $count.'x '.trim($line->text('thread').$line->said(' x ', 'length')), $line->text('grade'), $line->said('into ', 'material'),
            $line->text('figure'), $line->said('max ', 'ceiling'), $line->end(), 'left' === $line->text('hand') ? 'left-hand' : '',
            $line->said('+ ', 'angle', '°'), $line->said('swing ', 'swing', '°'), $line->said('seal ', 'seal_travel', ' mm'),
            $line->said('gap ', 'gap', ' mm'), $line->text('compound'), $line->text('reuse'), $line->text('tool'),
            $line->said('off with ', 'tool_off'), ...$line->rounds(), ...$line->reach(), $shape,
        ];

        return implode(', ', array_filter($parts, self::isSayable(...)));
    }

    /**
     * A joint entered again by its line: what the line cannot say stays as it was; so does the friction the figure is meant for, as
     * long as the same goes on the threads.
     *
     * @param array<array-key, mixed> $old
     * @param array<array-key, mixed> $new what the line and its form said
     *
     * @return array<array-key, mixed>
     */
    public static function over(array $old, array $new): array
    {
        $kept = self::unsaid($old);
        unset($kept['friction']);
        $isSameCoat = ($new['compound'] ?? '') === ($old['compound'] ?? '') && isset($old['friction']);

        return ($isSameCoat ? ['friction' => $old['friction']] : []) + $new + $kept;
    }

    /** Whether the line would be understood with it. */
    private static function isSayable(string $part): bool
    {
        $read = '' === trim($part) ? null : Shorthand::read(1 === preg_match('/^\d+x /', $part) ? $part : '1x M6 '.$part);

        return null !== $read && [] === $read->left && [] === $read->wrong;
    }

    /**
     * What a joint holds that its line does not say, or would say otherwise.
     *
     * @param array<array-key, mixed> $joint
     *
     * @return array<array-key, mixed>
     */
    public static function unsaid(array $joint): array
    {
        $said = Shorthand::read(self::of($joint))->joint;

        return array_filter(
            $joint, static fn (mixed $value, int|string $key): bool => ($said[$key] ?? null) != $value, \ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @return array{int, string} how many fasteners, and in which shape */
    private function places(): array
    {
        $layout = $this->joint['layout'] ?? '';
        if (is_array($layout)) {
            return [count($layout), 'ring'];
        }
        $said = is_string($layout) ? $layout : '';

        return match (1) {
            preg_match('~^grid (\d+)x(\d+)$~', $said, $m) => [(int) $m[1] * (int) $m[2], $said],
            preg_match('~^(ring|line) (\d+)$~', $said, $m) => [(int) $m[2], $m[1]],
            default => [1, ''],
        };
    }

    private function end(): string
    {
        return '' === $this->text('end') ? '' : $this->text('end').' end'.$this->said(' for ', 'because');
    }

    /** @return list<string> which goes first, a check round, when it may be, and the passes */
    private function rounds(): array
    {
        $list = fn (string $key): array => is_array($this->joint[$key] ?? null) ? array_filter($this->joint[$key], is_scalar(...)) : [];
        $first = $list('first');

        return [
            1 === count($first) ? implode('', $first).' first' : '', true === ($this->joint['check'] ?? null) ? 'check' : '',
            1 === count($list('when')) ? implode('', $list('when')) : '',
            [] === $list('passes') ? '' : 'passes '.implode(' ', $list('passes')),
        ];
    }

    /** @return list<string> what it is and how hot it gets; its places and ends have fields of their own */
    private function reach(): array
    {
        $kind = ['centre-nut' => 'centre nut', '' => ''][$this->text('kind')] ?? $this->text('kind').'s';

        return [$kind, $this->said('heat ', 'heat', ' °C')];
    }

    private function said(string $before, string $key, string $after = ''): string
    {
        return '' === $this->text($key) ? '' : $before.$this->text($key).$after;
    }

    private function text(string $key): string
    {
        return is_scalar($this->joint[$key] ?? null) ? (string) $this->joint[$key] : '';
    }
}
