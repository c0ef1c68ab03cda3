<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\BeltCode;
use NimbleKnuckle\Core\BeltDrive\BeltPath;
use NimbleKnuckle\Core\BeltDrive\BeltSection;
use NimbleKnuckle\Core\BeltDrive\NoBeltPath;
use NimbleKnuckle\Core\BeltDrive\Pulley;
use NimbleKnuckle\Core\BeltDrive\Side;
use NimbleKnuckle\Core\BeltDrive\Tensioner;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Sum\Entries;
use NimbleKnuckle\Core\Sum\Entry;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** The fields that the sums of a belt drive have in common, and how they are read. */
final readonly class DriveReading
{
    public const EXAMPLE = 'crank 0 0 152 ribs drives; alternator 225 150 62; tensioner 120 196 76 back; blower 40 330 74; '
        .'idler -52 214 70 back; pump -176 150 128';
    /** Pulleys a belt may run over. */
    private const MOST = 30;

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::text(
                'pulleys', 'Pulleys, in belt order', self::EXAMPLE,
                'Name, to the right and up in mm seen from the front, diameter; ribs or back; “drives” on the one that drives.',
            ),
            Field::text('section', 'Section', BeltSection::COMMON, implode(', ', BeltSection::names()).'.')->optional(),
            Field::quantity('be', 'Pitch line outside the ribbed diameter', Kind::Length, '2 mm')->optional(),
            Field::quantity('tb', 'Pitch line from the back', Kind::Length, '1.2 mm')->optional(),
        ];
    }

    public static function section(Inputs $in): BeltSection
    {
        $named = $in->has('section') ? BeltSection::named($in->text('section')) : BeltSection::common();
        null !== $named || throw InvalidInput::in(
            'section', sprintf(
                '“%s” is no section that is known here: use %s.', $in->text('section'), implode(', ', BeltSection::names()),
            ),
        );
        $given = static fn (string $field): ?float => $in->has($field) ? $in->between($field, Kind::Length, 0.0, 20.0) : null;

        return $named->with($given('be'), $given('tb'));
    }

    /** @return non-empty-list<Pulley> */
    public static function pulleys(Inputs $in): array
    {
        $entries = self::entries()->of($in, 'pulleys');
        count($entries) <= self::MOST || throw InvalidInput::in('pulleys', sprintf('A belt runs over %d pulleys at most.', self::MOST));

        return array_map(static function (Entry $one, int $i): Pulley {
            $name = '' === $one->name ? 'pulley '.($i + 1) : $one->name;
            $d = $one->number('d');
            $d > 0.0 && $d < 2000.0 || throw InvalidInput::in(
                'pulleys', sprintf('The diameter of the %s must be over 0 and under 2 000 mm.', $name),
            );

            return new Pulley(
                $name, $one->number('x'), $one->number('y'), $d, Side::from($one->word('side', 'ribs')), '' !== $one->word('drives', ''),
            );
        }, $entries, array_keys($entries));
    }

    private static function entries(): Entries
    {
        return new Entries(
            ['x' => Kind::Length, 'y' => Kind::Length, 'd' => Kind::Length], ['side' => ['ribs', 'back'], 'drives' => ['drives', 'yes']],
        );
    }

    /** @param list<Pulley> $pulleys */
    public static function path(array $pulleys, BeltSection $section): BeltPath
    {
        try {
            return BeltPath::of($pulleys, $section);
        } catch (NoBeltPath $e) {
            throw InvalidInput::in('pulleys', $e->getMessage());
        }
    }

    /** @return array{Tensioner, float, string} the arm, the diameter of its idler (0 where the list gives it), and what it is called */
    public static function tensioner(Inputs $in): array
    {
        $raw = $in->raw['tensioner'] ?? null;
        $raw = is_string($raw) && str_starts_with(trim($raw), '{') ? json_decode($raw, true, 8) : $raw;
        if (is_array($raw)) {
            $raw = self::flat($raw);
        }
        $entry = (new Entries([
            'x' => Kind::Length, 'y' => Kind::Length, 'arm' => Kind::Length, 'free' => Kind::Angle, 'from' => Kind::Angle,
            'to' => Kind::Angle, 'd?' => Kind::Length,
        ]))->one(Inputs::of(['tensioner' => $raw], [Field::text('tensioner', '', '')]), 'tensioner');
        $entry->number('arm') > 0.0 || throw InvalidInput::in('tensioner', 'The arm must be longer than nothing, pivot to idler.');
        abs($entry->number('to') - $entry->number('from')) > 1e-6 || throw InvalidInput::in(
            'tensioner', 'The window needs two different angles, where it begins and where it ends.',
        );
        $tensioner = new Tensioner(
            $entry->number('x'), $entry->number('y'), $entry->number('arm'), $entry->number('free'),
            [$entry->number('from'), $entry->number('to')],
        );
        !$tensioner->restsInWindow() || throw InvalidInput::in(
            'tensioner', 'The arm rests inside its own window: with a belt on it must stand away from where it rests without one.',
        );

        return [$tensioner, $entry->maybe('d') ?? 0.0, $entry->name];
    }

    /**
     * Records with the pivot as a pair and the window as a pair are made flat.
     *
     * @param array<array-key, mixed> $raw
     *
     * @return array<array-key, mixed>
     */
    private static function flat(array $raw): array
    {
        foreach (['pivot' => ['x', 'y'], 'window' => ['from', 'to'], 'work_window' => ['from', 'to']] as $key => $names) {
            $pair = $raw[$key] ?? null;
            if (is_array($pair) && 2 === count($pair)) {
                $raw += array_combine($names, array_values($pair));
            }
        }
        foreach (['free_angle' => 'free', 'idler' => 'd', 'idler_d' => 'd', 'diameter' => 'd'] as $other => $key) {
            isset($raw[$other]) && is_scalar($raw[$other]) && $raw += [$key => $raw[$other]];
        }

        return $raw;
    }

    /** @param list<Pulley> $pulleys */
    public static function idler(array $pulleys, string $name): int
    {
        $wanted = mb_strtolower('' === $name ? 'tensioner' : $name);
        foreach ($pulleys as $i => $pulley) {
            if (mb_strtolower($pulley->name) === $wanted || '' === $name && str_contains(mb_strtolower($pulley->name), $wanted)) {
                return $i;
            }
        }
        $flat = array_keys(array_filter($pulleys, static fn (Pulley $one): bool => Side::Back === $one->side));
        1 === count($flat) || throw InvalidInput::in(
            'tensioner', 'Which of the pulleys sits on the arm? Call one “tensioner”, or begin this field with its name.',
        );

        return $flat[0];
    }

    /** Length in mm of a belt as it was written: 1570, “62 in”, “6PK1570”. */
    public static function length(string $field, mixed $written): float
    {
        $text = is_scalar($written) ? trim((string) $written) : '';
        $code = BeltCode::read($text);
        if (null !== $code) {
            return $code->length;
        }
        try {
            $length = Notation::read(Kind::Length, is_int($written) || is_float($written) ? $written : $text)->value();
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in($field, $e->getMessage().' Or give the code on the belt, such as 6PK1570.');
        }
        $length > 0.0 || throw InvalidInput::in($field, 'A belt is longer than nothing.');

        return $length;
    }
}
