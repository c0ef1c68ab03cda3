<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Bolting\ThreadCondition;

/** What the words of a shorthand line look like, in the order they are looked for: a figure's angle before a lone one, and so on. */
final readonly class ShorthandParts
{
    private const NUMBER = '[0-9]+(?:[.,][0-9]+)?';
    private const UNIT = '(?:N\s?[·.-]?\s?m|lbf?[\s·.-]?ft|ft[\s·.-]?lbf?s?|in[\s·.-]?lbf?s?|lbf?[\s·.-]?in|kgf?[\s·.-]?m)';
    private const DRIVE = '[0-9]{1,2}\s?mm(?:\s(?:(?:deep\s)?(?:socket|spanner|crow-foot)|hex\sbit))?'
        .'|[TE][0-9]{1,2}(?:\s(?:bit|socket))?|hex\s[0-9]{1,2}|magnetic\splug\ssocket|plug\ssocket';
    private const SIZE = 'M\s?[0-9]{1,2}(?:\.[0-9])?|#\s?[0-9]{1,2}-[0-9]{2}|'
        .'(?:[0-9]{1,2}/[0-9]{1,2}|[½¼¾⅜⅝])"?-[0-9]{1,2}(?:\sUN[CF])?'
        .'|G\s?[0-9]/[0-9]';
    private const SPOT = '(?:front|rear)\s(?:left|right)|left|right|front|rear|inner|outer|upper|lower|top|bottom';
    private const REACH = '(head|nut|upper|lower)\s(?:end\s)?from\s(above|below|the\sarch|the\sbench)(?:\swith\s(?:an?\s)?({drive}))?'
        .'(?:\s(lifted|at\sits\sweight))?(\sheld)?';
    private const LENGTHS = '(?:\s?[x×]\s?[0-9]{0,3}(?:[.,][0-9]{1,3})?){0,2}';
    private const PART = '(?:[0-9]+(?:[.,/][0-9]+)?|a|one|half|quarter|three quarters?|[½¼¾])(?:\sof)?(?:\sa)?\s?'
        .'(?:turns?|°|deg(?:rees)?|flats?)';
    /** Each stands behind a space and before one, or before what is looked for last. */
    private const PATTERNS = [
        'layout' => '(ring|line|grid)(?:\s+([0-9]{1,2}[x×][0-9]{1,2}))?',
        'count' => '([0-9]{1,3})\s?[x×](?=\s?(?:[M#]|[0-9]/[0-9]|[0-9][0-9]?/[0-9]|\s|[a-z]))',
        'thread' => '({size})(?:-[4-8][gGhH]|-[123][AB])?({lengths})(?:-[4-8][gGhH])?(?:\s?mm)?',
        'grade' => '(?:grade\s)?(4\.6|5\.6|5\.8|8\.8|10\.9|12\.9|A2-70|A4-80)',
        'reach' => '{reach}',
        'reach2' => '{reach}',
        'places' => '(?:at|places)\s((?:{spot})(?:(?:\s?/\s?|\sand\s)(?:{spot}))+)',
        'heat' => '(?:heat|gets|up to)\s([0-9]{2,4})\s?°?C',
        'off' => '(?:off|undone|undo|loosen)\swith\s(?:an?\s)?({drive})',
        'ceiling' => '(?:max(?:imum)?|ceiling|never (?:past|over))[\s:]({number}\s?{unit})',
        'turn' => '((?:snug|hand[- ]?tight)\s?(?:\+|,|plus|and then|then|and)?\s?{part})',
        'hand' => '(left[- ]hand(?:ed)?(?:\sthread)?|LH)',
        'end' => '(low|high|middle)(?:er)?\send(?:\s(?:for|because of)\s(?:the\s)?(soft thread|seating|sealing))?',
        'source' => "(maker[’']?s?|printed(?:\\son\\sthe\\spart)?|workshop|estimated?)(?:\\s(?:figure|value))?",
        'dated' => 'dated\s([0-9]{4}-[0-9]{2}-[0-9]{2})',
        'seal' => 'seal\s([0-9]{1,2}(?:[.,][0-9]{1,2})?)\s?mm',
        'figure' => '((?:{number}(?:\s?(?:-|to|/|±|\.\.)\s?{number})?)\s?{unit}(?:\s?[/(]\s?{number}\s?{unit}\)?)?)(?=[\s+])',
        'angle' => '\+\s?([0-9]{1,3})\s?(?:°|deg|degrees)',
        'swing' => 'swing\s([0-9]{1,3})\s?(?:°|deg|degrees)?',
        'gap' => 'gap\s([0-9]{1,2}(?:[.,][0-9]{1,2})?)\s?mm',
        'first' => '(?:number\s|no\.?\s?)?([0-9]{1,3})\sfirst',
        'check' => '(check(?:\spass|\sround)?)',
        'material' => 'into\s(aluminium casting|aluminium wrought|aluminium|cast iron|iron|magnesium|steel|brass)',
        'compound' => '({compound})',
        'when' => '(loaded|while there is room|room)',
        'passes' => 'passes\s([0-9]{1,3}(?:[\s/][0-9]{1,3})*)(?:\s?%)?',
        'reuse' => '(new|reuse|single[- ]use)(?:\sbolts?)?',
        'tool' => '({drive})',
        'kind' => '(?:wheel\s)?(centre[- ]nut|nuts?|bolts?|screws?|studs?|clamps?|plugs?)',
    ];
    private const FILLERS = [',', '/', '+', 'with', 'and'];

    /**
     * @param array<string, list<string>> $found what each part was written as, its groups in order
     * @param list<string> $left the words that belong to none
     */
    private function __construct(private array $found, public array $left)
    {
    }

    /** @param string $line as CleanText gives it */
    public static function in(string $line): self
    {
        $rest = ' '.trim((string) preg_replace('/[,;]\s|\s+/', ' ', $line)).' ';
        $found = [];
        foreach (self::PATTERNS as $name => $pattern) {
            $begins = 'angle' === $name ? '\s?' : '\s';
            $ends = in_array($name, ['count', 'figure'], true) ? '' : '(?=\s)';
            $whole = '~'.$begins.self::filled($pattern).$ends.'~ui';
            if (1 === preg_match($whole, $rest, $m)) {
                $found[$name] = array_slice(array_values($m), 1);
                $rest = (string) preg_replace($whole, ' ', $rest, 1);
            }
        }
        $left = array_filter(
            explode(' ', trim($rest)),
            static fn (string $word): bool => '' !== $word && !in_array($word, self::FILLERS, true),
        );

        return new self($found, array_values($left));
    }

    /** The first group of a part, or another one; empty where it was not written. */
    public function text(string $name, int $group = 0): string
    {
        return $this->found[$name][$group] ?? '';
    }

    public function small(string $name, int $group = 0): string
    {
        return mb_strtolower($this->text($name, $group));
    }

    public function number(string $name): float
    {
        return (float) strtr($this->text($name), [',' => '.']);
    }

    public function has(string $name): bool
    {
        return isset($this->found[$name]);
    }

    private static function filled(string $pattern): string
    {
        return strtr(strtr($pattern, ['{reach}' => self::REACH, '{spot}' => self::SPOT]), [
            '{number}' => self::NUMBER, '{unit}' => self::UNIT, '{drive}' => self::DRIVE, '{size}' => self::SIZE,
            '{lengths}' => self::LENGTHS, '{part}' => self::PART, '{compound}' => implode('|', array_keys(ThreadCondition::PUT_ON)),
        ]);
    }
}
