<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Bolting\Grade;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadCondition;
use NimbleKnuckle\Core\Quantity\CleanText;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Origin;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * A joint on one line, as fast as one can talk: “3x M6x20 8.8 into aluminium casting, 9 Nm / 80 in-lb, dry, reuse, 10 mm socket, ring”.
 *
 * Also a range “18-22 Nm” with “low end for soft thread”, “max 24 Nm”, “snug + 1/4 turn”, “left-hand”, “printed”,
 * “dated 2026-03-01”, “off with T30”, “seal 0.7 mm”; “loaded” or “room”, “passes 50 100”, “+ 90° swing 30°”,
 * “gap 3 mm”, “2 first”, “check”; “nuts”, “at front left and front right”, “heat 180 °C”, “upper from above with 15 mm socket
 * lifted”. Parts may stand in any order, with or without commas. It reads back what
 * it understood, and says what it did not.
 */
final readonly class Shorthand
{
    private const SOURCES = ['m' => Origin::Makers, 'p' => Origin::Printed, 'w' => Origin::Workshop, 'e' => Origin::Estimated];

    /**
     * @param array<string, mixed> $joint what a joint of a vehicle sheet holds, as far as the line gives it
     * @param array<string, string> $understood label => what was read
     * @param list<string> $left what was not understood
     * @param list<string> $wrong what was understood and cannot be, each a sentence
     */
    private function __construct(public array $joint, public array $understood, public array $left, public array $wrong = [])
    {
    }

    public static function read(string $line): self
    {
        try {
            $parts = ShorthandParts::in(CleanText::of(mb_substr($line, 0, 300)));
        } catch (InvalidQuantity $e) {
            return new self([], [], [], [$e->getMessage()]);
        }
        $joint = $said = $wrong = [];
        $readers = [
            self::thread(...), self::layout(...), self::figure(...), self::limits(...), self::source(...), self::turning(...),
            self::hardware(...), self::rounds(...), self::reach(...),
        ];
        foreach ($readers as $read) {
            try {
                [$holds, $words] = $read($parts);
                $joint = $holds + $joint;
                $said += $words;
            } catch (InvalidQuantity|InvalidInput $e) {
                $wrong[] = $e->getMessage();
            }
        }

        return new self($joint, $said, $parts->left, $wrong);
    }

    /**
     * A thread, and a length behind it: M6x20 is 20 long, M10x1.25x40 is fine and 40 long.
     *
     * @return array{array<string, mixed>, array<string, string>}
     */
    private static function thread(ShorthandParts $parts): array
    {
        if (!$parts->has('thread')) {
            return [[], []];
        }
        $written = preg_split('~\s?[x×]\s?~u', strtr($parts->text('thread', 1), [',' => '.'])) ?: [];
        $numbers = array_values(array_filter($written, static fn (string $n): bool => '' !== $n));
        $pitch = isset($numbers[0]) && (float) $numbers[0] <= 3.0 ? array_shift($numbers) : null;
        $thread = Thread::parse($parts->text('thread').(null === $pitch ? '' : 'x'.$pitch))->name;
        $length = isset($numbers[0]) ? ['length' => $numbers[0].' mm'] : [];

        return [['thread' => $thread] + $length, ['thread' => $thread] + $length];
    }

    /** @return array{array<string, mixed>, array<string, string>} */
    private static function layout(ShorthandParts $parts): array
    {
        $n = max(1, (int) ($parts->text('count') ?: 1));
        $shape = $parts->small('layout') ?: ($n > 2 ? 'ring' : 'line');
        $grid = strtr($parts->text('layout', 1), ['×' => 'x']) ?: '2x'.max(1, intdiv($n + 1, 2));
        $layout = 'grid' === $shape ? 'grid '.$grid : $shape.' '.$n;

        return [['layout' => $layout], ['fasteners' => sprintf('%d, %s', $n, $layout)]];
    }

    /**
     * A torque or a range of it in one unit or two, or a part of a turn from snug.
     *
     * @return array{array<string, mixed>, array<string, string>}
     */
    private static function figure(ShorthandParts $parts): array
    {
        if ($parts->has('turn')) {
            return [['figure' => $parts->text('turn')], ['figure' => $parts->text('turn')]];
        }
        if (!$parts->has('figure')) {
            return [[], []];
        }
        $figure = trim($parts->text('figure'));
        $read = Notation::readStated(Kind::Torque, $figure);
        $metric = array_unique([round($read->low->value(), 2), round($read->high->value(), 2)]);

        return [['figure' => $figure], ['figure' => sprintf('%s, which is %s N·m', $figure, implode(' to ', $metric))]];
    }

    /** @return array{array<string, mixed>, array<string, string>} */
    private static function limits(ShorthandParts $parts): array
    {
        [$joint, $said] = [[], []];
        if ($parts->has('ceiling')) {
            $joint['ceiling'] = $said['never past'] = $parts->text('ceiling');
        }
        if ($parts->has('end')) {
            $because = $parts->small('end', 1);
            $joint += ['end' => $parts->small('end')] + ('' === $because ? [] : ['because' => $because]);
            $said['aims at'] = $parts->small('end').' end'.('' === $because ? '' : ', for '.$because);
        }
        if ($parts->has('seal')) {
            $joint['seal_travel'] = $parts->number('seal');
            $said['seal gives'] = $parts->text('seal').' mm';
        }

        return [$joint, $said];
    }

    /** @return array{array<string, mixed>, array<string, string>} where the figure stands, and of which day */
    private static function source(ShorthandParts $parts): array
    {
        [$joint, $said] = [[], []];
        if ($parts->has('source')) {
            $origin = self::SOURCES[mb_substr($parts->small('source'), 0, 1)] ?? Origin::Entered;
            [$joint['origin'], $said['source']] = [$origin->value, $origin->label()];
        }
        if ($parts->has('dated')) {
            $joint['dated'] = $said['dated'] = $parts->text('dated');
        }

        return [$joint, $said];
    }

    /** @return array{array<string, mixed>, array<string, string>} how far and which way it is turned */
    private static function turning(ShorthandParts $parts): array
    {
        [$joint, $said] = [[], []];
        if ($parts->has('hand')) {
            [$joint['hand'], $said['thread runs']] = ['left', 'left-hand'];
        }
        if ($parts->has('angle')) {
            [$joint['angle'], $said['angle']] = [$parts->number('angle'), $parts->text('angle').'° further'];
        }
        if ($parts->has('swing')) {
            [$joint['swing'], $said['swing']] = [$parts->number('swing'), $parts->text('swing').'° a pull'];
        }
        if ($parts->has('gap')) {
            [$joint['gap'], $said['gap']] = [$parts->number('gap'), sprintf('drawn down evenly by %s mm', $parts->number('gap'))];
        }

        return [$joint, $said];
    }

    /** @return array{array<string, mixed>, array<string, string>} what it is made of, what is on it, what turns it */
    private static function hardware(ShorthandParts $parts): array
    {
        $reuse = in_array($parts->small('reuse'), ['', 'reuse'], true) ? 'reuse' : 'new';
        $joint = ['reuse' => $reuse];
        $said = ['reuse' => 'new' === $reuse ? 'new each time' : 'cleaned and reused'];
        if ($parts->has('grade')) {
            $joint['grade'] = $said['grade'] = Grade::parse($parts->text('grade'))->value;
        }
        if ($parts->has('material')) {
            $joint['material'] = $said['screws into'] = Material::parse($parts->text('material'))->value;
        }
        if ($parts->has('compound')) {
            $joint['compound'] = $said['compound'] = $parts->small('compound');
            $joint['friction'] = ThreadCondition::PUT_ON[$parts->small('compound')]->value;
        }
        if ($parts->has('tool')) {
            $joint['tool'] = $said['tool'] = self::toolName($parts->text('tool'));
        }
        if ($parts->has('off')) {
            $joint['tool_off'] = $said['undone with'] = self::toolName($parts->text('off'));
        }

        return [$joint, $said];
    }

    /** @return array{array<string, mixed>, array<string, string>} what it is, where it has its like, how hot it gets, its ends */
    private static function reach(ShorthandParts $parts): array
    {
        [$joint, $said] = [[], []];
        if ($parts->has('kind')) {
            $joint['kind'] = $said['they are'] = rtrim(strtr($parts->small('kind'), [' ' => '-']), 's');
        }
        if ($parts->has('places')) {
            $places = preg_split('~\s?/\s?|\sand\s~', $parts->small('places')) ?: [];
            [$joint['places'], $said['at']] = [$places, sprintf('%s: so many at each', implode(', ', $places))];
        }
        if ($parts->has('heat')) {
            [$joint['heat'], $said['it gets']] = [$parts->number('heat'), $parts->text('heat').' °C'];
        }
        foreach (['reach', 'reach2'] as $which) {
            if ($parts->has($which)) {
                $tool = '' === $parts->text($which, 2) ? '' : self::toolName($parts->text($which, 2));
                $body = ['lifted' => 'lifted', '' => ''][$parts->small($which, 3)] ?? 'weight';
                $joint['ends'][] = ['end' => $parts->small($which), 'place' => str_replace('the ', '', $parts->small($which, 1))]
                    + ('' === $tool ? [] : ['tool' => $tool]) + ('' === $body ? [] : ['body' => $body])
                    + ('' === trim($parts->text($which, 4)) ? [] : ['held' => true]);
                $said[$parts->small($which).' end'] = implode(' ', array_filter([
                    'from '.$parts->small($which, 1), '' === $tool ? '' : 'with '.$tool, $parts->small($which, 3),
                    trim($parts->text($which, 4)),
                ]));
            }
        }

        return [$joint, $said];
    }

    /** @return array{array<string, mixed>, array<string, string>} when and in which rounds it is tightened */
    private static function rounds(ShorthandParts $parts): array
    {
        [$joint, $said] = [[], []];
        if ($parts->has('first')) {
            [$joint['first'], $said['first']] = [[(int) $parts->text('first')], 'number '.$parts->text('first').' before the others'];
        }
        if ($parts->has('check')) {
            [$joint['check'], $said['check']] = [true, 'once more round at the full figure'];
        }
        if ($parts->has('when')) {
            $isLoaded = 'loaded' === $parts->small('when');
            $joint['when'] = [$isLoaded ? 'loaded' : 'room'];
            $said['when'] = $isLoaded ? 'only with the weight on' : 'only while there is room';
        }
        if ($parts->has('passes')) {
            $passes = array_map(floatval(...), preg_split('~[\s/]~', $parts->text('passes')) ?: []);
            [$joint['passes'], $said['passes']] = [$passes, implode(', ', $passes).' %'];
        }

        return [$joint, $said];
    }

    private static function toolName(string $said): string
    {
        return 1 === preg_match('~^\d+\s?mm$~', $said) ? (int) $said.' mm socket' : trim((string) preg_replace('~(\d)mm~', '$1 mm', $said));
    }

    /**
     * “6x screws with captive washer, 8 mm socket” as a line of a tray.
     *
     * @return array{thing: string, count: int, tool?: string}
     *
     * @throws InvalidInput
     */
    public static function trayLine(string $line): array
    {
        if (1 === preg_match('~[^\P{Nd}0-9]~u', $line, $foreign)) {
            throw InvalidInput::in('tray', InvalidQuantity::foreignDigit($line, $foreign[0])->getMessage());
        }
        if (1 !== preg_match(
            '~\A\s*(?<count>[0-9]{1,3})\s*[x×]?\s+(?<thing>[^,]{1,120}?)\s*(?:,\s*(?<tool>.{1,60}))?\s*\z~u', $line, $m,
        ) || 0 === (int) $m['count'] || (int) $m['count'] > 200) {
            throw InvalidInput::in(
                'tray',
                sprintf(
                    '“%s”: write a count, what it is, and after a comma its tool, for example “6x screws, 8 mm socket”.',
                    mb_substr($line, 0, 60),
                ),
            );
        }

        return ['thing' => $m['thing'], 'count' => (int) $m['count']] + (isset($m['tool']) ? ['tool' => trim($m['tool'])] : []);
    }
}
