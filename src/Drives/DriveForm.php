<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Drives;

use NimbleKnuckle\App\Web\Typed;
use NimbleKnuckle\Core\BeltDrive\BeltSection;
use NimbleKnuckle\Core\BeltDrive\Trilateration;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\HttpFoundation\InputBag;

/** A belt as it stands in the fields of the board, typed and not yet understood; read into nimble-knuckle/drive@1 or refused. */
final readonly class DriveForm
{
    private const ROW = ['name' => '', 'x' => '', 'y' => '', 'd' => '', 'side' => 'ribs'];
    private const ARM = ['pulley' => '', 'pivot' => '', 'arm' => '', 'free' => '', 'window' => ''];
    private const BLOWER = [
        'pulley' => '', 'type' => 'positive-displacement', 'redline' => '', 'limit' => '', 'pressure_ratio' => '', 'power' => '',
        'slack_tension' => '',
    ];
    private const MEASURED = ['pulley' => '', 'a' => '', 'da' => '', 'b' => '', 'db' => '', 'c' => '', 'dc' => '', 'side' => 'left'];
    private const MOST = 30;

    public string $name;
    public string $section;
    public string $belt;
    public string $item;

    /**
     * @param array{string, string, string, string} $said name, section, what is on it, which item it is
     * @param list<array<string, string>> $rows
     * @param array<string, string> $arm
     * @param array<string, string> $blower
     * @param array<string, string> $measured
     */
    private function __construct(
        array $said, public array $rows, public string $drives, public array $arm, public array $blower, public array $measured,
    ) {
        [$this->name, $this->section, $this->belt, $this->item] = $said;
    }

    /** @param InputBag<string> $in */
    public static function posted(InputBag $in): self
    {
        $rows = [];
        foreach (array_slice($in->all('p'), 0, self::MOST) as $row) {
            is_array($row) && $rows[] = Typed::texts($row, self::ROW);
        }

        return new self(
            [
                trim($in->getString('name')), $in->getString('section', BeltSection::COMMON), trim($in->getString('belt')),
                $in->getString('item'),
            ], $rows,
            $in->getString('drives', '0'), Typed::texts($in->all('t'), self::ARM), Typed::texts($in->all('b'), self::BLOWER),
            Typed::texts($in->all('m'), self::MEASURED),
        );
    }

    /** @param array<array-key, mixed> $drive as it stands in the vehicle sheet */
    public static function of(array $drive): self
    {
        $rows = [];
        $drives = '0';
        foreach (array_values(self::part($drive, 'pulleys')) as $i => $pulley) {
            $pulley = is_array($pulley) ? $pulley : [];
            $rows[] = Typed::texts($pulley, self::ROW);
            $drives = true === ($pulley['drives'] ?? false) ? (string) $i : $drives;
        }
        $arm = self::part($drive, 'tensioner');
        foreach (['pivot', 'window'] as $pair) {
            $arm[$pair] = implode(' ', array_filter(self::part($arm, $pair), is_numeric(...)));
        }

        return new self(
            [
                Typed::text($drive['name'] ?? ''), Typed::text($drive['section'] ?? BeltSection::COMMON),
                Typed::text($drive['belt'] ?? ''), Typed::text($drive['item'] ?? ''),
            ], $rows,
            $drives, Typed::texts($arm, self::ARM), Typed::texts(self::part($drive, 'blower'), self::BLOWER), self::MEASURED,
        );
    }

    /**
     * @param array<array-key, mixed> $of
     *
     * @return array<array-key, mixed>
     */
    private static function part(array $of, string $key): array
    {
        return is_array($of[$key] ?? null) ? $of[$key] : [];
    }

    public static function blank(): self
    {
        $row = static fn (string $name, string $x, string $y, string $d): array => [
            'name' => $name, 'x' => $x, 'y' => $y, 'd' => $d, 'side' => 'ribs',
        ];

        return new self(
            ['', BeltSection::COMMON, '', ''], [$row('crank', '0', '0', ''), $row('', '', '', ''), $row('', '', '', '')], '0', self::ARM,
            self::BLOWER, self::MEASURED,
        );
    }

    /** One more row, one less, or one that changes its place in belt order. */
    public function changed(string $what): self
    {
        [$do, $at] = [...explode('-', $what), '0'];
        $at = (int) $at;
        $rows = $this->rows;
        $drives = $this->drives;
        if ('add' === $do && count($rows) < self::MOST) {
            $rows[] = self::ROW;
        } elseif ('drop' === $do && isset($rows[$at])) {
            unset($rows[$at]);
            $drives = (string) max(0, (int) $drives - ($at < (int) $drives ? 1 : 0));
        } elseif (in_array($do, ['up', 'down'], true) && isset($rows[$at], $rows[$other = 'up' === $do ? $at - 1 : $at + 1])) {
            [$rows[$at], $rows[$other]] = [$rows[$other], $rows[$at]];
            $drives = match ((int) $drives) {
                $at => (string) $other,
                $other => (string) $at,
                default => $drives,
            };
        }

        return $this->having(array_values($rows), $drives);
    }

    /** @param list<array<string, string>> $rows */
    private function having(array $rows, string $drives): self
    {
        return new self(
            [$this->name, $this->section, $this->belt, $this->item], $rows, $drives, $this->arm, $this->blower,
            $this->measured,
        );
    }

    /**
     * A pulley put where the measured distances say; where there are three, with what they leave over.
     *
     * @return array{self, string}
     *
     * @throws InvalidInput|\NimbleKnuckle\Core\BeltDrive\NoSuchPoint
     */
    public function placed(): array
    {
        $m = $this->measured;
        $at = $this->rowOf($m['pulley']) ?? throw InvalidInput::in('measured', 'Choose the pulley that is to be placed.');
        $known = [];
        foreach (['a' => 'da', 'b' => 'db', 'c' => 'dc'] as $from => $distance) {
            if ('' === $m[$from] && 'c' === $from) {
                continue;
            }
            $row = $this->rowOf($m[$from]);
            null !== $row && $row !== $at || throw InvalidInput::in('measured', 'Choose two other pulleys that stand where they belong.');
            $known[] = [
                Typed::number($this->rows[$row], 'x', Kind::Length), Typed::number($this->rows[$row], 'y', Kind::Length),
                Typed::number($m, $distance, Kind::Length, 'How far it is from the '.$this->rows[$row]['name']),
            ];
        }
        $point = Trilateration::of($known, 'left' === $m['side']);
        $rows = $this->rows;
        $rows[$at] = ['x' => (string) round($point->x, 1), 'y' => (string) round($point->y, 1)] + $rows[$at];
        $said = sprintf('The %s stands at %s, %s.', $rows[$at]['name'], $rows[$at]['x'], $rows[$at]['y']);
        $said .= count($known) > 2 ? sprintf(' The three distances disagree by %s mm.', round($point->doubt, 1)) : '';

        return [$this->having(array_values($rows), $this->drives), $said];
    }

    private function rowOf(string $name): ?int
    {
        foreach ($this->rows as $i => $row) {
            if ('' !== $name && $row['name'] === $name) {
                return $i;
            }
        }

        return null;
    }

    /**
     * As it is kept in the vehicle sheet.
     *
     * @return array<string, mixed>
     *
     * @throws InvalidInput naming the field
     */
    public function document(string $id): array
    {
        $pulleys = [];
        foreach ($this->rows as $i => $row) {
            if ('' === trim(implode('', array_diff_key($row, ['side' => '']))) && count($this->rows) > 2) {
                continue;
            }
            $pulleys[] = self::pulley($row, $i, (string) $i === $this->drives);
        }
        $document = [
            'id' => $id, 'name' => '' === $this->name ? throw InvalidInput::in(
                'name', 'A belt needs a name: “six-rib belt”.',
            ) : $this->name,
            'item' => $this->item,
            'section' => BeltSection::named($this->section)->name ?? BeltSection::COMMON, 'belt' => $this->belt, 'pulleys' => $pulleys,
        ];

        return array_filter($document, static fn (mixed $one): bool => '' !== $one) + $this->tensioner() + $this->blower();
    }

    /**
     * @param array<string, string> $row
     *
     * @return array<string, mixed>
     */
    private static function pulley(array $row, int $i, bool $drives): array
    {
        $name = trim($row['name']);
        '' !== $name || throw InvalidInput::in('p'.$i, sprintf('Pulley %d needs a name.', $i + 1));
        $d = Typed::number($row, 'd', Kind::Length, sprintf('The diameter of the %s', $name));
        $d > 0.0 || throw InvalidInput::in('p'.$i, sprintf('The diameter of the %s is more than nothing.', $name));

        return [
            'name' => mb_substr($name, 0, 60), 'x' => Typed::number(
                $row, 'x', Kind::Length, sprintf('Where the %s stands to the right', $name),
            ),
            'y' => Typed::number($row, 'y', Kind::Length, sprintf('Where the %s stands up', $name)), 'd' => $d,
        ] + ('back' === $row['side'] ? ['side' => 'back'] : []) + ($drives ? ['drives' => true] : []);
    }

    /** @return array<string, mixed> */
    private function tensioner(): array
    {
        if ('' === $this->arm['pulley']) {
            return [];
        }

        return ['tensioner' => [
            'pulley' => $this->arm['pulley'], 'pivot' => self::pair($this->arm['pivot'], Kind::Length, 'pivot', 'The pivot'),
            'arm' => Typed::number($this->arm, 'arm', Kind::Length, 'The length of the arm'),
            'free' => Typed::number($this->arm, 'free', Kind::Angle, 'The angle at rest'),
            'window' => self::pair($this->arm['window'], Kind::Angle, 'window', 'The window'),
        ]];
    }

    /** @return array<string, mixed> */
    private function blower(): array
    {
        $b = $this->blower;
        $given = static fn (string $key, Kind $kind, string $said): array => '' === trim($b[$key]) ? [] : [
            $key => Typed::number($b, $key, $kind, $said),
        ];

        return '' === $b['pulley'] ? [] : ['blower' => [
            'pulley' => $b['pulley'], 'type' => 'centrifugal' === $b['type'] ? 'centrifugal' : 'positive-displacement',
        ] + $given('redline', Kind::Speed, 'The redline') + $given('limit', Kind::Speed, 'What it may turn')
            + $given('pressure_ratio', Kind::Number, 'The pressure ratio') + $given('power', Kind::Power, 'The power it takes')
            + $given('slack_tension', Kind::Force, 'The tension of the slack side')];
    }

    /**
     * @return array{float, float}
     *
     * @throws InvalidInput
     */
    private static function pair(string $text, Kind $kind, string $field, string $said): array
    {
        $parts = preg_split('~[\s,;]+~u', trim($text)) ?: [];
        2 === count($parts) || throw InvalidInput::in($field, sprintf('%s is two numbers with a space between.', $said));

        return [Typed::number([$field => $parts[0]], $field, $kind, $said), Typed::number([$field => $parts[1]], $field, $kind, $said)];
    }
}
