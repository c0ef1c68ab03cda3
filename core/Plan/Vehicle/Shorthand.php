<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Bolting\Grade;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Quantity\CleanText;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Origin;
use NimbleKnuckle\Core\Sum\InvalidInput;

/**
 * A joint on one line, as fast as one can talk: “3x M6x20 8.8 into aluminium casting, 9 Nm / 80 in-lb, dry, reuse, 10 mm socket, ring”.
 *
 * Also a range “18-22 Nm” with “low end for soft thread”, “max 24 Nm”, “snug + 1/4 turn”, “left-hand”, “printed”, “dated 2026-03-01”,
 * “off with T30”, “seal 0.7 mm”; “loaded” or “room”, “passes 50 100”, “+ 90° swing 30°”,
 * “gap 3 mm”, “2 first”, “check”. Parts may stand in any order, with or without commas. It reads back what
 * it understood, and says what it did not.
 */
final readonly class Shorthand
{
    private const COMPOUNDS = [
        'medium threadlocker', 'high-strength threadlocker', 'high strength threadlocker', 'threadlocker', 'anti-seize',
        'thread sealant', 'sealant', 'oiled', 'oil', 'dry',
    ];
    private const TORQUE = '\d+(?:[.,]\d+)?\s?(?:N\s?[·.-]?\s?m|lbf?[\s·.-]?ft|ft[\s·.-]?lbf?s?|in[\s·.-]?lbf?s?|lbf?[\s·.-]?in|kgf?[\s·.-]?m)';
    private const FRICTIONS = [
        'medium threadlocker' => 'threadlocker wet', 'high-strength threadlocker' => 'threadlocker wet',
        'high strength threadlocker' => 'threadlocker wet', 'threadlocker' => 'threadlocker wet', 'anti-seize' => 'anti-seize',
        'thread sealant' => 'oiled', 'sealant' => 'oiled', 'oiled' => 'oiled', 'oil' => 'oiled', 'dry' => 'dry zinc',
    ];

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
            $clean = CleanText::of(mb_substr($line, 0, 300));
        } catch (InvalidQuantity $e) {
            return new self([], [], [], [$e->getMessage()]);
        }
        $rest = ' '.trim((string) preg_replace('/[,;]\s|\s+/', ' ', $clean)).' ';
        $joint = [];
        $said = [];
        $wrong = [];
        $take = static function (string $pattern) use (&$rest): ?array {
            if (1 !== preg_match($pattern, $rest, $m)) {
                return null;
            }
            $rest = (string) preg_replace($pattern, ' ', $rest, 1);

            return $m;
        };
        $layout = $take('~\s(ring|line|grid)(?:\s+(\d{1,2}[x×]\d{1,2}))?(?=\s)~ui');
        $count = $take('~\s(\d{1,3})\s?[x×](?=\s?(?:[M#]|\d/\d|\d\d?/\d|\s|[a-z]))~ui');
        $thread = self::thread($take, $wrong);
        $grade = $take('~\s(?:grade\s)?(4\.6|5\.6|5\.8|8\.8|10\.9|12\.9|A2-70|A4-80)(?=\s)~ui');
        $off = $take(
            '~\s(?:off|undone|undo|loosen)\swith\s(?:an?\s)?(\d{1,2}\s?mm(?:\s(?:deep\s)?(?:socket|spanner|crow-foot))?|[TE]\d{1,2}|hex\s\d{1,2})(?=\s)~ui',
        );
        $ceiling = $take('~\s(?:max(?:imum)?|ceiling|never (?:past|over))[\s:]('.self::TORQUE.')(?=\s)~ui');
        $turn = $take(
            '~\s((?:snug|hand[- ]?tight)\s?(?:\+|,|plus|and then|then|and)?\s?(?:\d+(?:[.,/]\d+)?|a|one|half|quarter|three quarters?|[½¼¾])(?:\sof)?(?:\sa)?\s?(?:turns?|°|deg(?:rees)?|flats?))(?=\s)~ui',
        );
        $hand = $take('~\s(left[- ]hand(?:ed)?(?:\sthread)?|LH)(?=\s)~ui');
        $end = $take('~\s(low|high|middle)(?:er)?\send(?:\s(?:for|because of)\s(?:the\s)?(soft thread|seating|sealing))?(?=\s)~ui');
        $source = $take('~\s(maker[’\'s]*|printed(?:\son\sthe\spart)?|workshop|estimated?)(?:\s(?:figure|value))?(?=\s)~ui');
        $dated = $take('~\sdated\s(\d{4}-\d\d-\d\d)(?=\s)~ui');
        $seal = $take('~\sseal\s(\d{1,2}(?:[.,]\d{1,2})?)\s?mm(?=\s)~ui');
        $figure = $take(
            '~\s((?:\d+(?:[.,]\d+)?(?:\s?(?:-|to|/|±|\.\.)\s?\d+(?:[.,]\d+)?)?)\s?(?:N\s?[·.-]?\s?m|lbf?[\s·.-]?ft|ft[\s·.-]?lbf?s?|in[\s·.-]?lbf?s?|lbf?[\s·.-]?in|kgf?[\s·.-]?m)(?:\s?[/(]\s?\d+(?:[.,]\d+)?\s?(?:N\s?[·.-]?\s?m|lbf?[\s·.-]?ft|ft[\s·.-]?lbf?s?|in[\s·.-]?lbf?s?|lbf?[\s·.-]?in)\)?)?)(?=[\s+])~ui',
        );
        $angle = $take('~\s?\+\s?(\d{1,3})\s?(?:°|deg|degrees)(?=\s)~ui');
        $swing = $take('~\sswing\s(\d{1,3})\s?(?:°|deg|degrees)?(?=\s)~ui');
        $gap = $take('~\sgap\s(\d{1,2}(?:[.,]\d{1,2})?)\s?mm(?=\s)~ui');
        $first = $take('~\s(?:number\s|no\.?\s?)?(\d{1,3})\sfirst(?=\s)~ui');
        $check = $take('~\s(check(?:\spass|\sround)?)(?=\s)~ui');
        $material = $take('~\sinto\s(aluminium casting|aluminium wrought|aluminium|cast iron|iron|magnesium|steel|brass)(?=\s)~ui');
        $compound = $take('~\s('.implode('|', self::COMPOUNDS).')(?=\s)~ui');
        $when = $take('~\s(loaded|while there is room|room)(?=\s)~ui');
        $passes = $take('~\spasses\s(\d{1,3}(?:[\s/]\d{1,3})*)(?:\s?%)?(?=\s)~ui');
        $reuse = $take('~\s(new|reuse|single[- ]use)(?:\sbolts?)?(?=\s)~ui');
        $tool = $take('~\s(\d{1,2}\s?mm(?:\s(?:deep\s)?(?:socket|spanner|crow-foot))?|[TE]\d{1,2}|hex\s\d{1,2})(?=\s)~ui');
        if (null !== $thread) {
            [$joint['thread'], $length] = $thread;
            $said['thread'] = $joint['thread'];
            if ('' !== $length) {
                $joint['length'] = $said['length'] = $length.' mm';
            }
        }
        $n = null === $count ? 1 : (int) $count[1];
        $shape = strtolower($layout[1] ?? ($n > 2 ? 'ring' : 'line'));
        $joint['layout'] = 'grid' === $shape ? 'grid '.strtr($layout[2] ?? '2x'.max(1, intdiv($n + 1, 2)), ['×' => 'x']) : $shape.' '.$n;
        $said['fasteners'] = sprintf('%d, %s', $n, $joint['layout']);
        if (null !== $grade) {
            $joint['grade'] = $said['grade'] = Grade::parse($grade[1])->value;
        }
        if (null !== $material) {
            $joint['material'] = $said['screws into'] = Material::parse($material[1])->value;
        }
        if (null !== $figure) {
            try {
                $read = Notation::readStated(Kind::Torque, $figure[1]);
                $joint['figure'] = trim($figure[1]);
                $said['figure'] = $read->isRange()
                    ? sprintf('%s, which is %s to %s N·m', $joint['figure'], round($read->low->value(), 2), round($read->high->value(), 2))
                    : sprintf('%s, which is %s N·m', $joint['figure'], round($read->low->value(), 2));
            } catch (InvalidQuantity $e) {
                $wrong[] = $e->getMessage();
            }
        }
        self::also($joint, $said, $off, $ceiling, $turn, $hand, $end, $source, $dated, $seal);
        if (null !== $angle) {
            $joint['angle'] = (float) $angle[1];
            $said['angle'] = $angle[1].'° further';
        }
        if (null !== $swing) {
            $joint['swing'] = (float) $swing[1];
            $said['swing'] = $swing[1].'° a pull';
        }
        if (null !== $gap) {
            $joint['gap'] = (float) strtr($gap[1], [',' => '.']);
            $said['gap'] = sprintf('drawn down evenly by %s mm', $joint['gap']);
        }
        if (null !== $first) {
            $joint['first'] = [(int) $first[1]];
            $said['first'] = 'number '.$first[1].' before the others';
        }
        if (null !== $check) {
            $joint['check'] = true;
            $said['check'] = 'once more round at the full figure';
        }
        if (null !== $compound) {
            $name = mb_strtolower($compound[1]);
            $joint['compound'] = $said['compound'] = $name;
            $joint['friction'] = self::FRICTIONS[$name];
        }
        if (null !== $when) {
            $joint['when'] = ['loaded' === strtolower($when[1]) ? 'loaded' : 'room'];
            $said['when'] = 'loaded' === $joint['when'][0] ? 'only with the weight on' : 'only while there is room';
        }
        if (null !== $passes) {
            $joint['passes'] = array_map(floatval(...), preg_split('~[\s/]~', $passes[1]) ?: []);
            $said['passes'] = implode(', ', $joint['passes']).' %';
        }
        $joint['reuse'] = null !== $reuse && 'reuse' !== strtolower($reuse[1]) ? 'new' : 'reuse';
        $said['reuse'] = 'new' === $joint['reuse'] ? 'new each time' : 'cleaned and reused';
        if (null !== $tool) {
            $joint['tool'] = $said['tool'] = self::toolName($tool[1]);
        }

        return new self(
            $joint, $said,
            array_values(
                array_filter(
                    explode(' ', trim($rest)),
                    static fn (string $word): bool => '' !== $word && !in_array(
                        $word, [',', '/', '+', 'with', 'and', 'bolts', 'bolt', 'screws'], true,
                    ),
                ),
            ),
            $wrong,
        );
    }

    /**
     * What a figure may hold besides its number.
     *
     * @param array<string, mixed> $joint
     * @param array<string, string> $said
     * @param array<array-key, string>|null ...$found
     */
    private static function also(array &$joint, array &$said, ?array ...$found): void
    {
        [$off, $ceiling, $turn, $hand, $end, $source, $dated, $seal] = [...$found, null, null, null, null, null, null, null, null];
        if (null !== $turn) {
            $joint['figure'] = $said['figure'] = $turn[1];
        }
        if (null !== $ceiling) {
            $joint['ceiling'] = $ceiling[1];
            $said['never past'] = $ceiling[1];
        }
        if (null !== $end) {
            $joint['end'] = strtolower($end[1]);
            $joint += isset($end[2]) ? ['because' => strtolower($end[2])] : [];
            $said['aims at'] = strtolower($end[1]).' end'.(isset($end[2]) ? ', for '.strtolower($end[2]) : '');
        }
        if (null !== $hand) {
            $joint['hand'] = 'left';
            $said['thread runs'] = 'left-hand';
        }
        if (null !== $source) {
            $joint['origin'] = [
                'm' => 'makers', 'p' => 'printed', 'w' => 'workshop', 'e' => 'estimated',
            ][strtolower($source[1][0])] ?? 'entered';
            $said['source'] = Origin::from($joint['origin'])->label();
        }
        if (null !== $dated) {
            $joint['dated'] = $said['dated'] = $dated[1];
        }
        if (null !== $off) {
            $joint['tool_off'] = $said['undone with'] = self::toolName($off[1]);
        }
        if (null !== $seal) {
            $joint['seal_travel'] = (float) strtr($seal[1], [',' => '.']);
            $said['seal gives'] = $seal[1].' mm';
        }
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
        if (1 !== preg_match(
            '~\A\s*(?<count>\d{1,3})\s*[x×]?\s+(?<thing>[^,]{1,120}?)\s*(?:,\s*(?<tool>.{1,60}))?\s*\z~u', $line, $m,
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

    /**
     * A thread, and a length behind it: M6x20 is 20 long, M10x1.25x40 is fine and 40 long.
     *
     * @param callable(string): (array<array-key, string>|null) $take
     * @param list<string> $wrong gets the sentence for a thread there is none of
     *
     * @return array{string, string}|null
     */
    private static function thread(callable $take, array &$wrong): ?array
    {
        $m = $take('~\s(M\s?\d{1,2}(?:\.\d)?|#\s?\d{1,2}-\d{2}|(?:\d{1,2}/\d{1,2}|[½¼¾⅜⅝])"?-\d{1,2}(?:\sUN[CF])?|G\s?\d/\d)'
            .'(?:-[4-8][gGhH]|-[123][AB])?((?:\s?[x×]\s?\d{0,3}(?:[.,]\d{1,3})?){0,2})(?:-[4-8][gGhH])?(?:\s?mm)?(?=\s)~ui');
        if (null === $m) {
            return null;
        }
        $numbers = array_values(
            array_filter(preg_split('~\s?[x×]\s?~u', strtr($m[2], [',' => '.'])) ?: [], static fn (string $n): bool => '' !== $n),
        );
        $pitch = isset($numbers[0]) && (float) $numbers[0] <= 3.0 ? array_shift($numbers) : null;
        try {
            return [Thread::parse($m[1].(null === $pitch ? '' : 'x'.$pitch))->name, $numbers[0] ?? ''];
        } catch (InvalidInput $e) {
            $wrong[] = $e->getMessage();

            return null;
        }
    }
}
