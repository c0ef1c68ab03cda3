<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Workshop\Form;

use NimbleKnuckle\App\Workshop\SpokenUnits;
use NimbleKnuckle\App\Workshop\WorkshopRecord;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Constraints\Length;
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
