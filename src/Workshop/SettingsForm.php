<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Workshop;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\Regex;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/**
 * Name, units, height and warmth of the workshop; each may be left out.
 *
 * @extends AbstractType<Settings>
 */
final class SettingsForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder->add('name', TextType::class, [
            'label' => 'Name of the workshop', 'empty_data' => '', 'required' => false, 'help' => 'At the head of what is printed.',
            'attr' => ['maxlength' => 120], 'constraints' => [new Length(max: 120)],
        ]);
        $builder->add('units', EnumType::class, [
            'label' => 'Units', 'class' => SpokenUnits::class, 'choice_label' => static fn (SpokenUnits $units): string => $units->label(),
        ]);
        $builder->add('altitude', TextType::class, [
            'label' => 'Height above the sea', 'empty_data' => '', 'required' => false,
            'help' => 'A vacuum fill can pull less deep in the hills.', 'attr' => ['placeholder' => '640 m or 2100 ft'],
            'constraints' => [new Callback(
                self::between(Kind::Altitude, WorkshopRecord::ALTITUDES, '500 m below and 6 000 m above the sea'),
            )],
        ]);
        $builder->add('temperature', TextType::class, [
            'label' => 'Usual warmth', 'empty_data' => '', 'required' => false,
            'help' => 'Compounds cure by it. A fit can say otherwise.', 'attr' => ['placeholder' => '18 °C'],
            'constraints' => [new Callback(self::between(Kind::Temperature, WorkshopRecord::TEMPERATURES, '−10 and 50 °C'))],
        ]);
        self::addMoney($builder);
    }

    /** @param FormBuilderInterface<Settings|null> $builder */
    private static function addMoney(FormBuilderInterface $builder): void
    {
        $builder->add('letterhead', TextareaType::class, [
            'label' => 'Letterhead', 'empty_data' => '', 'required' => false,
            'help' => 'Address and such, under the name on what is printed.', 'attr' => ['rows' => 3, 'maxlength' => 300],
            'constraints' => [new Length(max: 300)],
        ]);
        $builder->add('rate', TextType::class, [
            'label' => 'What an hour costs', 'empty_data' => '', 'required' => false, 'help' => 'An hour of one person’s hands.',
            'attr' => ['placeholder' => '74.00', 'inputmode' => 'decimal'], 'constraints' => [new Regex(
                pattern: '/\A\s*\d{1,6}([.,]\d{1,2})?\s*\z/', message: 'A price for an hour is a number, like 74 or 74.50.',
            )],
        ]);
        $builder->add('currency', TextType::class, [
            'label' => 'In', 'empty_data' => '', 'required' => false, 'attr' => ['maxlength' => 8, 'placeholder' => 'as you write it'],
            'constraints' => [new Length(max: 8)],
        ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => Settings::class]);
    }

    /** @param array{float, float} $bounds */
    private static function between(Kind $kind, array $bounds, string $said): \Closure
    {
        return static function (string $text, ExecutionContextInterface $context) use ($kind, $bounds, $said): void {
            if ('' === trim($text)) {
                return;
            }
            try {
                $value = Notation::read($kind, $text)->value();
                $value >= $bounds[0] && $value <= $bounds[1] || $context->addViolation(sprintf('Between %s.', $said));
            } catch (InvalidQuantity $e) {
                $context->addViolation($e->getMessage());
            }
        };
    }
}
