<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\Core\Procedure\RoleBook;
use NimbleKnuckle\Core\Vehicle\Dangers;
use NimbleKnuckle\Core\Vehicle\ItemWords;
use NimbleKnuckle\Core\Vehicle\ReachWords;
use NimbleKnuckle\Core\Vehicle\ShorthandLine;
use Symfony\Component\HttpFoundation\InputBag;

/** A thing of a vehicle sheet as the form it could have been entered by. */
final readonly class WrittenThing
{
    /** @param array<array-key, mixed> $thing as it stands in nimble-knuckle/vehicle@2 */
    private function __construct(private array $thing)
    {
    }

    /**
     * @param array<array-key, mixed> $thing
     * @param array<string, string> $items id => name, of the whole sheet
     *
     * @return InputBag<string>
     */
    public static function form(string $what, string $id, array $thing, RoleBook $roles, array $items = []): InputBag
    {
        $written = new self($thing);
        $role = $written->text('role') ?: $written->text('id');
        $fields = match ($what) {
            'item' => $written->item($items),
            'joint' => $written->joint($items),
            'circuit' => $written->circuit(),
            default => ['body' => $written->text('body'), 'way' => $written->text('way'), 'mm' => $written->text('mm'),
                'because' => $written->text('because'), 'freed_by' => $written->text('freed_by')],
        };

        /** @var InputBag<string> $form */
        $form = new InputBag($fields + [
            'what' => $what, 'id' => $id, 'name' => $written->text('name'), 'role' => $roles->knows($what, $role) ? $role : '',
        ]);

        return $form;
    }

    /**
     * @param array<string, string> $items id => name
     *
     * @return array<string, mixed>
     */
    private function item(array $items): array
    {
        $tray = array_map(static fn (self $line): string => sprintf(
            '%sx %s%s', $line->text('count'), $line->text('thing'), '' === $line->text('tool') ? '' : ', '.$line->text('tool'),
        ), $this->each('tray'));

        return [
            'place' => $this->text('place'), 'side' => $this->text('side'), 'stance' => $this->text('stance'),
            'wheel' => $this->text('wheel'), 'kind' => $this->text('kind') ?: 'part',
            'behind' => $this->texts('behind'), 'tray' => implode("\n", $tray), 'off' => implode(' ', $this->texts('off')),
            'on' => implode(' ', $this->texts('on')), 'carries' => $this->text('carries'), 'wet' => $this->text('wet'),
            'remove_note' => $this->text('remove_note'), 'refit_note' => $this->text('refit_note'),
            'battery' => in_array('battery', $this->texts('hazards'), true) ? '1' : '',
            'steering' => in_array(Dangers::STEERING, $this->texts('hazards'), true) ? '1' : '',
        ] + $this->parting($items);
    }

    /**
     * What of an item a line each says.
     *
     * @param array<string, string> $items id => name
     *
     * @return array<string, mixed>
     */
    private function parting(array $items): array
    {
        $words = new ItemWords($items);
        $measure = static fn (array $one): string => implode(' ', array_filter($one, is_scalar(...)));

        return [
            'ends' => $this->lines('ends', ItemWords::endLine(...)), 'acts' => $this->lines('acts', $words->actLine(...)),
            'measures' => $this->lines('measures', $measure), 'between' => ItemWords::betweenLine($this->thing),
            'opens' => $this->texts('opens'),
            'protects' => $this->text('protects'), 'mass' => $this->text('mass'),
            'cautions' => implode("\n", array_map(
                ItemWords::cautionLine(...), is_array($this->thing['cautions'] ?? null) ? $this->thing['cautions'] : [],
            )),
        ];
    }

    /**
     * @param array<string, string> $items id => name
     *
     * @return array<string, mixed>
     */
    private function joint(array $items): array
    {
        $points = is_array($this->thing['layout'] ?? null) ? array_map(
            static fn (mixed $pair): string => is_array($pair) ? implode(',', array_filter($pair, is_scalar(...))) : '',
            $this->thing['layout'],
        ) : [];
        [$grip, $adapter] = [$this->node('grip'), $this->node('adapter')];

        return [
            'line' => ShorthandLine::of($this->thing), 'item' => $this->text('item'), 'origin' => $this->text('origin') ?: 'entered',
            'dated' => $this->text('dated'), 'note' => $this->text('note'), 'points' => implode('; ', $points),
            'outline' => $this->text('outline') ?: 'plate', 'lengths' => implode('; ', $this->texts('lengths')),
            'swing' => $this->text('swing'),
            'longest' => $this->text('longest'), 'shank' => $grip->text('shank'), 'threaded' => $grip->text('threaded'),
            'adapter' => $adapter->text('length'), 'adapter_name' => $adapter->text('name'),
            'places' => implode('; ', $this->texts('places')), 'key' => $this->text('key'), 'ends' => implode("\n", array_map(
                static fn (self $end): string => implode(', ', [$end->text('end'), ...(new ReachWords($items))->parts($end->thing)]),
                $this->each('ends'),
            )),
        ];
    }

    /** @return array<string, mixed> */
    private function circuit(): array
    {
        $fields = ['behind' => $this->texts('drain_behind')];
        $texts = ['capacity', 'family', 'target', 'product', 'cap', 'opens', 'marks', 'every_km', 'every_months', 'note', 'warmest'];
        foreach ($texts as $field) {
            $fields[$field] = $this->text($field);
        }
        foreach (array_keys($this->node('heights')->thing) as $name) {
            $fields['height_'.$name] = $this->node('heights')->text((string) $name);
        }

        return $fields + ['level' => $this->node('level')->text('by'), 'level_after' => $this->node('level')->text('after')];
    }

    /** @param callable(array<array-key, mixed>): string $line */
    private function lines(string $key, callable $line): string
    {
        return implode("\n", array_map(static fn (self $one): string => $line($one->thing), $this->each($key)));
    }

    private function text(string $key): string
    {
        return is_scalar($this->thing[$key] ?? null) ? (string) $this->thing[$key] : '';
    }

    /** @return list<string> */
    private function texts(string $key): array
    {
        $list = is_array($this->thing[$key] ?? null) ? $this->thing[$key] : [];

        return array_map(strval(...), array_values(array_filter($list, is_scalar(...))));
    }

    /** @return list<self> */
    private function each(string $key): array
    {
        $list = is_array($this->thing[$key] ?? null) ? $this->thing[$key] : [];

        return array_map(static fn (array $one): self => new self($one), array_values(array_filter($list, is_array(...))));
    }

    private function node(string $key): self
    {
        return new self(is_array($this->thing[$key] ?? null) ? $this->thing[$key] : []);
    }
}
