<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;

/** The note of a plucked free span: a string between two pulleys. m in kg a metre, f in Hz. */
final readonly class SpanNote
{
    /** kg a metre and rib, by section: working values for a rubber ribbed belt. */
    private const MASS = ['PH' => 0.005, 'PJ' => 0.009, 'PK' => 0.019, 'PL' => 0.036, 'PM' => 0.11];

    public static function mass(BeltSection $section, int $ribs): float
    {
        return self::MASS[$section->name] * $ribs;
    }

    public static function tension(float $mass, Length $span, float $frequency): Force
    {
        return Force::newtons(self::tensionFormula($mass, $span, $frequency)->value);
    }

    /** N. */
    public static function tensionFormula(float $mass, Length $span, float $frequency): Formula
    {
        return Formula::of('T = 4 m L² f²', ['m' => $mass, 'L' => self::metres($span), 'f' => $frequency]);
    }

    /** Hz. */
    public static function frequency(float $mass, Length $span, Force $tension): float
    {
        return self::noteFormula($mass, $span, $tension)->value;
    }

    /** Hz. */
    public static function noteFormula(float $mass, Length $span, Force $tension): Formula
    {
        return Formula::of('f = √(T/m)/(2 L)', ['T' => $tension->newtons, 'm' => $mass, 'L' => self::metres($span)]);
    }

    private static function metres(Length $span): Term
    {
        return Term::readAs($span->millimetres / 1000, $span->millimetres, 'mm');
    }
}
