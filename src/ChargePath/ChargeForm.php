<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\ChargePath;

use NimbleKnuckle\App\Web\Typed;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\HttpFoundation\InputBag;

/** A charge path as it stands in its fields, typed and not yet understood; read into the vehicle sheet's “charge”, or refused. */
final readonly class ChargeForm
{
    private const PART = [
        'name' => '', 'kind' => 'pipe', 'in' => '', 'out' => '', 'wall' => '', 'length' => '', 'bends' => '', 'bead' => 'both',
        'carries' => '',
        'item' => '',
    ];
    private const JOIN = [
        'name' => '', 'angle' => '', 'hose' => '', 'a' => '', 'b' => '', 'long' => '', 'wall' => '', 'clamp' => '', 'from' => '',
        'to' => '',
        'torque' => '', 'never' => '', 'screw' => '', 'tension' => '', 'reach' => '', 'joint' => '', 'how' => '',
    ];
    private const TOP = ['boost' => '', 'litres' => '', 'rpm' => '', 'efficiency' => '', 'temperature' => ''];
    private const MOST = 30;

    /**
     * @param array<string, string> $top
     * @param list<array<string, string>> $parts
     * @param list<array<string, string>> $joins the one after each part; that of the last stays empty
     * @param array{string, string} $box hoses and clamps, one a line
     */
    private function __construct(public array $top, public array $parts, public array $joins, public array $box)
    {
    }

    /** @param InputBag<string> $in */
    public static function posted(InputBag $in): self
    {
        $text = static fn (string $key): string => mb_substr(trim($in->getString($key)), 0, 6000);

        return new self(
            Typed::texts($in->all('t'), self::TOP), self::typed($in->all('p'), self::PART), self::typed($in->all('j'), self::JOIN),
            [$text('hoses'), $text('clamps')],
        );
    }

    /**
     * @param array<array-key, mixed> $rows
     * @param array<string, string> $known
     *
     * @return list<array<string, string>>
     */
    private static function typed(array $rows, array $known): array
    {
        return array_map(
            static fn (mixed $row): array => Typed::texts(is_array($row) ? $row : [], $known),
            array_values(array_slice($rows, 0, self::MOST)),
        );
    }

    public static function blank(): self
    {
        $part = static fn (string $name, string $kind): array => ['name' => $name, 'kind' => $kind] + self::PART;

        return new self(self::TOP, [
            $part('turbo', 'compressor'), $part('hot pipe', 'pipe'), $part('cooler', 'cooler'), $part('cold pipe', 'pipe'),
            $part('throttle', 'throttle'),
        ], array_fill(0, 5, self::JOIN), ['', '']);
    }

    /** @param array<array-key, mixed> $charge as it stands in the vehicle sheet */
    public static function of(array $charge): self
    {
        $parts = $joins = [];
        $given = self::rows($charge, 'joins');
        foreach (self::rows($charge, 'parts') as $i => $part) {
            $bends = array_map(static fn (mixed $bend): string => is_array($bend) ? implode('/', array_map(
                Typed::text(...), $bend,
            )) : '', is_array($part['bends'] ?? null) ? $part['bends'] : []);
            $carries = is_array($part['carries'] ?? null) ? array_map(Typed::text(...), $part['carries']) : [];
            $parts[] = Typed::texts(['bends' => implode(' ', $bends), 'carries' => implode(', ', $carries)] + $part, self::PART);
            $joins[] = self::joinOf($given[$i] ?? []);
        }
        $box = is_array($charge['box'] ?? null) ? $charge['box'] : [];

        return new self(
            Typed::texts($charge + (is_array($charge['engine'] ?? null) ? $charge['engine'] : []), self::TOP), $parts, $joins, [
                self::lines(self::rows($box, 'hoses'), ['a', 'b', 'angle']),
                self::lines(self::rows($box, 'clamps'), ['from', 'to', 'kind']),
            ],
        );
    }

    /** One more part, one less, or one that changes its place in the way of the air. What joins them stays where it is. */
    public function changed(string $what): self
    {
        [$do, $at] = [...explode('-', $what), '0'];
        $at = (int) $at;
        [$parts, $joins] = [$this->parts, $this->joins];
        if ('add' === $do && count($parts) < self::MOST) {
            [$parts[], $joins[]] = [self::PART, self::JOIN];
        } elseif ('drop' === $do && isset($parts[$at])) {
            unset($parts[$at], $joins[$at]);
        } elseif (in_array($do, ['up', 'down'], true) && isset($parts[$at], $parts[$other = 'up' === $do ? $at - 1 : $at + 1])) {
            [$parts[$at], $parts[$other]] = [$parts[$other], $parts[$at]];
        }

        return new self($this->top, array_values($parts), array_values($joins), $this->box);
    }

    /** @param array<int, array{name: string, a: float, b: float, angle: float}> $hoses join => the hose of the box that goes on it */
    public function fitted(array $hoses): self
    {
        $joins = $this->joins;
        foreach ($hoses as $i => $hose) {
            if (isset($joins[$i])) {
                $joins[$i] = ['hose' => $hose['name'], 'a' => (string) $hose['a'], 'b' => (string) $hose['b']] + $joins[$i];
            }
        }

        return new self($this->top, $this->parts, $joins, $this->box);
    }

    /**
     * As it is kept in the vehicle sheet.
     *
     * @return array<string, mixed>
     *
     * @throws InvalidInput naming the field
     */
    public function document(): array
    {
        $parts = $joins = [];
        foreach ($this->parts as $i => $row) {
            if ('' === trim(implode('', array_diff_key($row, ['kind' => '', 'bead' => ''])))) {
                continue;
            }
            $parts[] = self::part($row, $i);
            $joins[] = self::join($this->joins[$i] ?? self::JOIN, $row['name']);
        }
        $engine = self::numbers($this->top, [
            'litres' => [Kind::Number, 'The litres of the engine'], 'rpm' => [Kind::Number, 'Its most rpm'],
            'efficiency' => [Kind::Number, 'How well it fills'], 'temperature' => [Kind::Temperature, 'The air of the charge'],
        ]);
        $box = array_filter([
            'hoses' => BoxLines::hoses($this->box[0]), 'clamps' => BoxLines::clamps($this->box[1]),
        ]);

        return self::numbers($this->top, ['boost' => [Kind::Pressure, 'The boost']])
            + array_filter(['engine' => $engine, 'parts' => $parts, 'joins' => array_slice($joins, 0, -1), 'box' => $box]);
    }

    /**
     * @param array<string, string> $row
     *
     * @return array<string, mixed>
     */
    private static function part(array $row, int $i): array
    {
        $name = '' !== $row['name'] ? $row['name'] : throw InvalidInput::in('p'.$i, sprintf('Part %d needs a name.', $i + 1));
        '' !== $row['in'].$row['out'] || throw InvalidInput::in('p'.$i, sprintf(
            'The %s needs its outside diameter, where the air goes in or where it comes out.', $name,
        ));
        $bends = [];
        foreach (preg_split('~[\s,;]+~u', $row['bends'], -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $bend) {
            1 === preg_match('~\A(\d+(?:\.\d+)?)°?/(\d+(?:\.\d+)?)\z~u', $bend, $m) || throw InvalidInput::in(
                'p'.$i, sprintf('A bend of the %s is its angle and the radius of its centre line: 90/85.', $name),
            );
            $bends[] = [(float) $m[1], (float) $m[2]];
        }
        $carries = array_values(array_filter(array_map(trim(...), explode(',', $row['carries']))));

        return ['name' => $name, 'kind' => $row['kind']] + self::numbers($row, [
            'in' => [Kind::Length, sprintf('The %s, where the air goes in', $name)],
            'out' => [Kind::Length, sprintf('The %s, where it comes out', $name)],
            'wall' => [Kind::Length, sprintf('The wall of the %s', $name)],
            'length' => [Kind::Length, sprintf('The length of the %s', $name)],
        ]) + array_filter([
            'bends' => $bends, 'bead' => 'both' === $row['bead'] ? '' : $row['bead'], 'carries' => $carries, 'item' => $row['item'],
        ]);
    }

    /**
     * @param array<string, string> $row
     *
     * @return array<string, mixed>
     */
    private static function join(array $row, string $after): array
    {
        $at = sprintf('after the %s', $after);
        $hose = self::numbers($row, [
            'a' => [Kind::Length, 'The hose '.$at.', first end'], 'b' => [Kind::Length, 'The hose '.$at.', other end'],
            'long' => [Kind::Length, 'The length of the hose '.$at], 'wall' => [Kind::Length, 'The wall of the hose '.$at],
        ]);
        if (isset($hose['long'])) {
            $hose['length'] = $hose['long'];
            unset($hose['long']);
        }
        $clamp = self::numbers($row, [
            'from' => [Kind::Length, 'The clamps '.$at.' close from'], 'to' => [Kind::Length, 'The clamps '.$at.' close to'],
            'torque' => [Kind::Torque, 'The figure of the clamps '.$at], 'never' => [Kind::Torque, 'What the clamps '.$at.' never pass'],
            'screw' => [Kind::Length, 'The screw of the clamps '.$at], 'tension' => [Kind::Force, 'The tension of the clamps '.$at],
        ]);

        return array_filter([
            'name' => $row['name'],
            'hose' => isset($hose['a']) ? array_filter(['name' => $row['hose']]) + $hose : null,
            'clamp' => '' === $row['clamp'] ? null : ['kind' => $row['clamp']] + $clamp + array_filter(['reach' => $row['reach']]),
            'joint' => $row['joint'], 'tied' => 'tied' === $row['how'], 'bolted' => 'bolted' === $row['how'],
            'stays' => 'stays' === $row['how'],
        ]) + self::numbers($row, ['angle' => [Kind::Angle, 'The angle '.$at]]);
    }

    /**
     * Those that are given.
     *
     * @param array<string, string> $row
     * @param array<string, array{Kind, string}> $fields
     *
     * @return array<string, float>
     */
    private static function numbers(array $row, array $fields): array
    {
        $numbers = [];
        foreach ($fields as $key => [$kind, $said]) {
            if ('' !== $row[$key]) {
                $numbers[$key] = round(Typed::number($row, $key, $kind, $said), 4);
            }
        }

        return $numbers;
    }

    /**
     * @param array<array-key, mixed> $join
     *
     * @return array<string, string>
     */
    private static function joinOf(array $join): array
    {
        $part = static fn (string $key): array => is_array($join[$key] ?? null) ? $join[$key] : [];
        [$hose, $clamp] = [$part('hose'), $part('clamp')];
        $said = ['hose' => 'name', 'long' => 'length'];
        $how = array_filter(['bolted', 'tied', 'stays'], static fn (string $one): bool => true === ($join[$one] ?? false));

        return Typed::texts(
            array_map(static fn (string $key): mixed => $hose[$key] ?? '', $said)
                + ['clamp' => $clamp['kind'] ?? '', 'how' => reset($how) ?: '']
                + array_diff_key($join, ['hose' => true, 'clamp' => true]) + $clamp
                + array_diff_key($hose, ['angle' => true, 'name' => true]),
            self::JOIN,
        );
    }

    /**
     * @param array<array-key, mixed> $of
     *
     * @return list<array<array-key, mixed>>
     */
    private static function rows(array $of, string $key): array
    {
        return is_array($of[$key] ?? null) ? array_values(array_filter($of[$key], is_array(...))) : [];
    }

    /**
     * @param list<array<array-key, mixed>> $rows
     * @param list<string> $keys
     */
    private static function lines(array $rows, array $keys): string
    {
        return implode("\n", array_map(static fn (array $row): string => sprintf('%s: %s', Typed::text($row['name'] ?? ''), rtrim(implode(
            ' ', array_map(static fn (string $key): string => Typed::text($row[$key] ?? ''), $keys),
        ))), $rows));
    }
}
