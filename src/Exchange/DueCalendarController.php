<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\App\Intervals\DueWork;
use NimbleKnuckle\App\Intervals\IntervalBook;
use NimbleKnuckle\App\Logbook\DueBook;
use NimbleKnuckle\App\Logbook\DueRow;
use Psr\Clock\ClockInterface;
use Sabre\VObject\Component;
use Sabre\VObject\Component\VCalendar;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The due list as iCalendar: whole days, and hours where a check comes before the first start; the same id every time. */
final class DueCalendarController
{
    #[Route('/logbook/calendar', name: 'due_calendar', methods: ['GET'])]
    public function __invoke(DueBook $dues, IntervalBook $intervals, ClockInterface $clock): Response
    {
        $calendar = new VCalendar(['PRODID' => '-//Nimble Knuckle//Due list//EN']);
        foreach ($dues->openRows() as $due) {
            $calendar->add(self::check($calendar, $due, $clock->now()));
        }
        foreach ($intervals->coming() as $work) {
            null === $work->next->on || $calendar->add(self::work($calendar, $work, $work->next->on, $clock->now()));
        }

        return new Response(
            $calendar->serialize(),
            headers: ['Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => 'attachment; filename="due.ics"'],
        );
    }

    private static function check(VCalendar $calendar, DueRow $due, \DateTimeImmutable $now): Component
    {
        $event = $calendar->createComponent('VEVENT', [
            'UID' => $due->id.'@nimble-knuckle.invalid', 'DTSTAMP' => $now, 'SUMMARY' => sprintf('%s: %s', $due->after->short, $due->title),
            'DESCRIPTION' => $due->text.($due->day->afterKm > 0 ? sprintf(
                ' Due at %d km or on this day, whichever comes first.', $due->day->afterKm,
            ) : ''),
        ]);
        $day = str_replace('-', '', substr($due->day->on, 0, 10));
        if ('' === $due->day->hour) {
            $event->add('DTSTART', $day, ['VALUE' => 'DATE']);

            return $event;
        }
        // As the clock on the wall shows it, wherever that hangs.
        $event->add('DTSTART', $day.'T'.str_replace(':', '', $due->day->hour).'00');
        $event->add('DURATION', 'PT15M');

        return $event;
    }

    private static function work(VCalendar $calendar, DueWork $work, \DateTimeImmutable $on, \DateTimeImmutable $now): Component
    {
        $event = $calendar->createComponent('VEVENT', [
            'UID' => hash('sha256', $work->vehicle['id'].$work->id.$work->circuit).'@nimble-knuckle.invalid', 'DTSTAMP' => $now,
            'SUMMARY' => sprintf('%s: %s', $work->vehicle['short'], $work->name),
            'DESCRIPTION' => sprintf('Every %s; %s.', $work->often(), $work->said()),
        ]);
        $event->add('DTSTART', $on->format('Ymd'), ['VALUE' => 'DATE']);

        return $event;
    }
}
